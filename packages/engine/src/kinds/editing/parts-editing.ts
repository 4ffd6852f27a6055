import type { EditResult, Extent, InsertResult, Reason } from '../../field/text-state.ts';
import { fold, graphemes, toldOf, worthTelling } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { hasPartWords } from './features.ts';
import {
  fits,
  isFull,
  locate,
  type Parsed,
  type PartPlan,
  type PartsBody,
  type PartsPlan,
  textsOf,
} from './parts.ts';

/**
 * Editing for kinds made of parts: each part keeps its own digits, so that correcting the day leaves month
 * and year unchanged. The kind defines the layout, what ends a part and what a whole text means; carets and
 * deletions are the same for all.
 */
export interface PartsKind<P extends PartsPlan, B extends PartsBody> {
  lay(plan: P, texts: readonly string[]): B;
  /** The parts of a whole text in one of the kind's forms; `undefined` for other texts. */
  parse(plan: P, text: string): Parsed | undefined;
  /** A part after a separator or blur: padded, a year with its century. */
  close(plan: P, part: number, text: string): string;
  /** Whether a separator may end a part before it is full. Default: yes. */
  canClose?(plan: P, part: number): boolean;
  /**
   * Handles a character that is not taken, for kinds where letters have a meaning; `undefined` for one that
   * may be a separator.
   */
  letter?(plan: P, body: B, caret: number, c: string): EditResult<B> | Reason | undefined;
  /** Whether a part may become this, beyond its own bounds. */
  takes?(plan: P, texts: readonly string[], part: number, next: string): boolean;
  /** Whether no digit may follow at the caret, because what was typed there is settled. */
  isClosed?(plan: P, body: B, caret: number): boolean;
  /** Whether a text has a meaning as a whole: then it is read so or refused, never typed key by key. */
  isWhole?(text: string): boolean;
  /** Whether a text that looks like the field's display may be taken for it. */
  isOwn?(plan: P, body: B): boolean;
  /** The part an empty field begins with, if not the first. */
  first?(plan: P): number;
}

const replaced = (texts: readonly string[], part: number, text: string): string[] => {
  const next = texts.slice();
  next[part] = text;
  return next;
};

/**
 * Enters a digit into a part. A first digit that can only be the whole part is completed: `4` of a month
 * becomes `04`.
 */
function enter(part: PartPlan, text: string, index: number, digit: string): string | Reason {
  const next = text.slice(0, index) + digit + text.slice(index);
  // Decimal hours: the kind handles the digits after the point.
  const point = next.indexOf('.');
  if (point >= 0) return point > part.size ? 'full' : next;
  if (text.length >= part.size) return 'full';
  if (fits(part, next)) return next;
  const padded = `0${next}`;
  return !text && part.size === 2 && fits(part, padded) ? padded : 'out-of-bounds';
}

/** Enters a letter into a part of words: the first letter selects the word, further ones continue in it. */
function enterWord(part: PartPlan, text: string, index: number, c: string): string | undefined {
  const next = (text.slice(0, index) + c + text.slice(index)).toLowerCase();
  const meant = part.words!.filter((word) => word.toLowerCase().startsWith(next));
  // Words with the same first letter are distinguished by the first one that differs: 오전, 오후.
  const other = part.words!.find(
    (word, i) =>
      !text &&
      [...word].some(
        (l, j) => l.toLowerCase() === next && part.words!.every((w, k) => k === i || [...w][j] !== l),
      ),
  );
  if (meant.length === 1) return text ? itemAt(meant, 0).slice(0, next.length) : itemAt(meant, 0);
  return meant.length ? itemAt(meant, 0).slice(0, next.length) : other;
}

const separators = /^[\s.,:;/\-–]$/u;

/** The display offset of a position inside a part. */
const caretIn = (body: PartsBody, part: number, index: number): number => itemAt(body.at, part) + index;

function whole<B extends PartsBody>(body: B): EditResult<B> {
  const { texts, at, display } = body;
  const last = texts.findLastIndex((text) => text !== '');
  if (last < 0) return { body, caret: 0 };
  // After a full part its fixed text is displayed, and the caret is after it.
  const isLast = last === texts.length - 1;
  return { body, caret: isLast ? itemAt(at, last) + itemAt(texts, last).length : display.length };
}

/** A kind with its plan. */
interface At<P extends PartsPlan, B extends PartsBody> {
  readonly kind: PartsKind<P, B>;
  readonly plan: P;
}

const layWith = <P extends PartsPlan, B extends PartsBody>(
  { kind, plan }: At<P, B>,
  { texts }: B,
  part: number,
  text: string,
): B => kind.lay(plan, replaced(texts, part, text));

function cut<P extends PartsPlan, B extends PartsBody>(
  { kind, plan }: At<P, B>,
  body: B,
  start: number,
  end: number,
): EditResult<B> {
  if (start >= end) return { body, caret: start };
  let first = -1;
  const texts = body.texts.map((text, i) => {
    const from = Math.max(0, Math.min(text.length, start - itemAt(body.at, i)));
    const to = Math.max(0, Math.min(text.length, end - itemAt(body.at, i)));
    if (from < to && first < 0) first = itemAt(body.at, i) + from;
    return text.slice(0, from) + text.slice(to);
  });
  if (first < 0) return { body, caret: start };
  const next = kind.lay(plan, texts);
  return { body: next, caret: Math.min(start, first, next.display.length) };
}

/** A character to enter: folded, and whether it is a digit. */
interface Typed {
  readonly c: string;
  readonly isDigit: boolean;
}

const hasLetter = (text: string, { c }: Typed): boolean => text.toLowerCase().includes(c.toLowerCase());

/** The part a character goes into: the one at the caret, or the next one if that is full. */
function placeFor<P extends PartsPlan, B extends PartsBody>(
  { kind, plan }: At<P, B>,
  body: B,
  caret: number,
  typed: Typed,
): { part: number; index: number } | EditResult<B> | Reason {
  let { part, index } = locate(body, caret);
  if (body.display === '' && kind.first) part = kind.first(plan);
  for (;;) {
    const at = itemAt(plan.parts, part);
    const text = itemAt(body.texts, part);
    const isPassed =
      hasPartWords && at.words
        ? typed.isDigit && (text === '' || isFull(at, text))
        : index === text.length && isFull(at, text);
    if (!isPassed) return { part, index };
    if (part === body.texts.length - 1) {
      if (typed.isDigit) return 'full';
      return hasPartWords && at.words !== undefined && hasLetter(text, typed)
        ? { body, caret }
        : 'not-accepted';
    }
    part++;
    index = 0;
  }
}

/** Whether a letter continues a word that its first letter has selected. */
function isRestOfWord(plan: PartsPlan, body: PartsBody, part: number, index: number, typed: Typed): boolean {
  if (typed.isDigit) return false;
  const isOf = (i: number): boolean => {
    const at = itemAt(plan.parts, i);
    const text = itemAt(body.texts, i);
    return at.words !== undefined && isFull(at, text) && hasLetter(text, typed);
  };
  return isOf(part) || (part > 0 && index === 0 && isOf(part - 1));
}

/** Enters a character into the part at the caret, or the next one if that is full. */
function typeIn<P extends PartsPlan, B extends PartsBody>(
  at: At<P, B>,
  body: B,
  caret: number,
  c: string,
): EditResult<B> | Reason {
  const { kind, plan } = at;
  const typed: Typed = { c, isDigit: c >= '0' && c <= '9' && c.length === 1 };
  if (typed.isDigit && kind.isClosed?.(plan, body, caret)) return 'not-accepted';
  const place = placeFor(at, body, caret, typed);
  if (typeof place === 'string' || 'body' in place) return place;
  const { part, index } = place;
  if (hasPartWords && isRestOfWord(plan, body, part, index, typed)) return { body, caret };
  const own = itemAt(plan.parts, part);
  const text = itemAt(body.texts, part);
  if (typed.isDigit === (own.words !== undefined)) return 'not-accepted';
  const next = !hasPartWords || typed.isDigit ? enter(own, text, index, c) : enterWord(own, text, index, c);
  if (next === undefined) return 'not-accepted';
  if (next === 'full' || next === 'out-of-bounds') return next;
  if (kind.takes && !kind.takes(plan, body.texts, part, next)) return 'out-of-bounds';
  const after = layWith(at, body, part, next);
  const end = text ? index + 1 : next.length;
  const isDone = end === next.length && isFull(own, next) && part < body.texts.length - 1;
  return { body: after, caret: isDone ? caretIn(after, part + 1, 0) : caretIn(after, part, end) };
}

/** Handles a separator: it closes the part before it, or passes one that is there. */
function separate<P extends PartsPlan, B extends PartsBody>(
  at: At<P, B>,
  body: B,
  caret: number,
): EditResult<B> | Reason {
  const { kind, plan } = at;
  const { part, index } = locate(body, caret);
  const text = itemAt(body.texts, part);
  if (index === 0 && part > 0) return { body, caret };
  if (!text || index < text.length || part === body.texts.length - 1) return 'not-accepted';
  const isShort = !isFull(itemAt(plan.parts, part), text);
  if (isShort && kind.canClose && !kind.canClose(plan, part)) return 'not-accepted';
  const closed = kind.close(plan, part, text);
  if (!isFull(itemAt(plan.parts, part), closed)) return 'not-accepted';
  if (!fits(itemAt(plan.parts, part), closed)) return 'out-of-bounds';
  const next = closed === text ? body : layWith(at, body, part, closed);
  return { body: next, caret: caretIn(next, part + 1, 0) };
}

function typeKey<P extends PartsPlan, B extends PartsBody>(
  at: At<P, B>,
  { body, caret }: EditResult<B>,
  character: string,
): EditResult<B> | Reason {
  const { kind, plan } = at;
  const c = fold(character);
  const edited = typeIn(at, body, caret, c);
  if (typeof edited !== 'string') return edited;
  const meant = kind.letter?.(plan, body, caret, c.toLowerCase());
  if (meant) return typeof meant === 'string' ? edited : meant;
  const isBetween = separators.test(c) || plan.between.some((text) => text.includes(c));
  return isBetween && edited === 'not-accepted' ? separate(at, body, caret) : edited;
}

/** Enters characters one by one, and reports those that are not taken. */
function byKeys<P extends PartsPlan, B extends PartsBody>(
  at: At<P, B>,
  from: EditResult<B>,
  text: string,
): InsertResult<B> {
  let now = from;
  let leftOut = '';
  let refusal: Reason | null = null;
  let taken = false;
  for (const character of graphemes(text.normalize('NFC'))) {
    const edited = typeKey(at, now, character);
    if (typeof edited !== 'string') {
      taken ||= edited.body !== now.body || edited.caret !== now.caret;
      now = edited;
    } else if (worthTelling.test(character)) {
      leftOut += character;
      refusal = edited;
    }
  }
  return { body: now.body, caret: now.caret, leftOut, rejected: taken ? null : refusal };
}

function insert<P extends PartsPlan, B extends PartsBody>(
  at: At<P, B>,
  cleared: EditResult<B>,
  text: string,
): InsertResult<B> {
  const { kind, plan } = at;
  const isAlone = cleared.body.content === '';
  const typed = byKeys(at, cleared, text);
  // A text that typing reproduces is this field's own display, perhaps incomplete.
  const looksOwn = isAlone && typed.body.display === text;
  if (looksOwn && (kind.isOwn?.(plan, typed.body) ?? true)) return { ...typed, leftOut: '' };
  const parsed = isAlone ? kind.parse(plan, text.normalize('NFC')) : undefined;
  if (parsed) {
    const { texts, leftOut, assumed } = parsed;
    const read = whole(kind.lay(plan, texts));
    const body = assumed ? { ...read.body, assumed } : read.body;
    return { body, caret: read.caret, leftOut, rejected: null };
  }
  const folded = [...text].map(fold).join('');
  // A whole text that cannot be taken whole is not squeezed into another.
  if (isAlone && (typed.leftOut !== '' || kind.isWhole?.(folded))) {
    return { ...cleared, leftOut: toldOf(text), rejected: 'not-accepted' };
  }
  return typed;
}

function erase<P extends PartsPlan, B extends PartsBody>(
  at: At<P, B>,
  body: B,
  start: number,
  extent: Extent,
): EditResult<B> {
  const { part, index } = locate(body, start);
  if (extent === 'character-right') {
    if (index < itemAt(body.texts, part).length) {
      const { body: rest } = cut(at, body, caretIn(body, part, index), caretIn(body, part, index) + 1);
      return { body: rest, caret: Math.min(start, rest.display.length) };
    }
    const next = body.texts.findIndex((text, i) => i > part && text !== '');
    if (next < 0) return { body, caret: start };
    const { body: rest } = cut(at, body, caretIn(body, next, 0), caretIn(body, next, 0) + 1);
    // With its last digit the fixed text before it is removed as well, and the caret may have been inside
    // that.
    return { body: rest, caret: Math.min(start, rest.display.length) };
  }
  const from = index > 0 ? part : body.texts.findLastIndex((text, i) => i < part && text !== '');
  if (from < 0) return { body, caret: start };
  const before = index > 0 ? index : itemAt(body.texts, from).length;
  const first = extent === 'word-left' ? 0 : before - 1;
  return cut(at, body, caretIn(body, from, first), caretIn(body, from, before));
}

/** The editing functions of `Kind`, for kinds with parts. */
export function partsKind<P extends PartsPlan, B extends PartsBody>(kind: PartsKind<P, B>) {
  const empty = (plan: P): B =>
    kind.lay(
      plan,
      plan.parts.map(() => ''),
    );
  return {
    empty,
    caretAtEnd: (_: P, body: B): EditResult<B> => whole(body),
    key(plan: P, body: B, start: number, end: number, character: string): EditResult<B> | Reason {
      const at = { kind, plan };
      return typeKey(at, cut(at, body, start, end), character);
    },
    insert(plan: P, body: B, start: number, end: number, text: string): InsertResult<B> {
      const at = { kind, plan };
      return insert(at, cut(at, body, start, end), text);
    },
    /** Autofill sends a text, not a raw value, even if it looks like one (`12/2027`). */
    readText: (plan: P, text: string): InsertResult<B> =>
      insert({ kind, plan }, { body: empty(plan), caret: 0 }, text),
    parse(plan: P, text: string): InsertResult<B> {
      const texts = textsOf(plan, text);
      const body = texts && kind.lay(plan, texts);
      if (body && body.content === text) return { ...whole(body), leftOut: '', rejected: null };
      return insert({ kind, plan }, { body: empty(plan), caret: 0 }, text);
    },
    erase(plan: P, body: B, start: number, end: number, extent: Extent): EditResult<B> {
      const at = { kind, plan };
      return start < end || extent === 'selection'
        ? cut(at, body, start, end)
        : erase(at, body, start, extent);
    },
    /** The part at the caret one higher or lower within its bounds; an empty part begins with `from`. */
    stepped(
      plan: P,
      body: B,
      caret: number,
      by: 1 | -1,
      from: (part: number) => number,
      width?: number,
    ): EditResult<B> {
      const { part } = locate(body, caret);
      const { size, low, high, words } = itemAt(plan.parts, part);
      const text = itemAt(body.texts, part);
      const next =
        hasPartWords && words
          ? itemAt(words, text === words[0] ? 1 : 0)
          : // A point alone is no number yet.
            `${text && text !== '.' ? Math.max(low, Math.min(high, +text + by)) : from(part)}`.padStart(
              width ?? size,
              '0',
            );
      const isKept = next === text || (kind.takes && !kind.takes(plan, body.texts, part, next));
      if (isKept) return { body, caret: caretIn(body, part, text.length) };
      const after = layWith({ kind, plan }, body, part, next);
      return { body: after, caret: caretIn(after, part, next.length) };
    },
  };
}
