import type { Body, Edited, Extent, Reason, Taken } from '../field/body.ts';
import { fold, graphemes, localized, worthTelling } from '../values/graphemes.ts';
import { item } from '../values/item.ts';

/**
 * Editing for kinds made of parts with a meaning of their own (day, month, hour): each keeps its own digits, so
 * that mending the day leaves month and year alone. Fixed text shows at once behind a full part.
 */
export interface PartPlan {
  readonly name: string;
  /** The most digits it holds. */
  readonly size: number;
  readonly low: number;
  readonly high: number;
  /** A part that is one of these words instead (the halves of the day). */
  readonly words?: readonly string[];
  /** Decimals may be typed into it (parts of an hour); it is not full then. */
  readonly point?: boolean;
}

export interface PartsPlan {
  readonly kind: string;
  readonly parts: readonly PartPlan[];
  /** Fixed text before each part, and one more behind the last. */
  readonly between: readonly string[];
  /** The locale's ten digits where they are not ASCII, else ''. */
  readonly digits: string;
}

export interface PartsBody extends Body {
  /** What each part holds, in ASCII digits. */
  readonly texts: readonly string[];
  /** Offset in the display where each part stands or would stand. */
  readonly at: readonly number[];
}

/** A text read whole: what each part gets from it. */
export interface Parsed {
  readonly texts: readonly string[];
  readonly leftOut: string;
  readonly assumed?: string;
}

export const isFull = (part: PartPlan, text: string): boolean =>
  part.words ? part.words.includes(text) : text.length === part.size && !(part.point && text.includes('.'));

/** Whether digits, more to come, can be a number of that part. */
function fits({ size, low, high }: PartPlan, digits: string): boolean {
  const scale = 10 ** (size - digits.length);
  const least = +digits * scale;
  return least + scale > low && least <= high;
}

/** A lone digit as two, where that is a number of the part: a `0` alone may still become many and stays. */
export function padded({ parts }: PartsPlan, part: number, text: string): string {
  const { size, low } = item(parts, part);
  return size === 2 && text.length === 1 && +text >= low ? `0${text}` : text;
}

/** All parts closed, as leaving does; the same body where that changes nothing. */
export function closeAll<P extends PartsPlan, B extends PartsBody>(
  plan: P,
  body: B,
  close: (plan: P, part: number, text: string) => string,
  lay: (plan: P, texts: readonly string[]) => B,
): B {
  const texts = body.texts.map((text, i) => close(plan, i, text));
  return texts.every((text, i) => text === body.texts[i]) ? body : lay(plan, texts);
}

/** Lays out the edit view of what the parts hold. */
export function layParts(plan: PartsPlan, texts: readonly string[]): PartsBody {
  const { parts, between } = plan;
  let last = texts.length - 1;
  while (last >= 0 && !texts[last]) last--;
  const at: number[] = [];
  let display = '';
  let content = '';
  let complete = last === texts.length - 1;
  let isClosed = false;
  for (let i = 0; i < texts.length; i++) {
    const text = item(texts, i);
    const part = item(parts, i);
    if (i <= last || isClosed) display += item(between, i);
    at.push(display.length);
    display += plan.digits && !part.words ? localized(plan.digits, text) : text;
    content += text;
    const isWhole = isFull(part, text);
    isClosed = i === last && isWhole;
    if (!isWhole) {
      complete = false;
      if (i < last) content += '/';
    }
  }
  if (complete) display += item(between, texts.length);
  return { content, display, complete, texts, at };
}

/** The parts of a raw value: digits and words one after the other, a `/` behind a part cut short; `undefined` for none. */
function textsOf({ parts }: PartsPlan, raw: string): string[] | undefined {
  const texts: string[] = [];
  let rest = raw;
  for (const part of parts) {
    const { words, size } = part;
    const word = words?.find((one) => rest.startsWith(one)) ?? (words && rest.split('/')[0]!);
    const text = word ?? /^\d*/.exec(rest)![0].slice(0, size);
    // Short of its digits it may be what a deletion left, which no key would lead to.
    const isOne = words ? words.some((one) => one.startsWith(text)) : text.length < size || fits(part, text);
    if (!isOne) return undefined;
    texts.push(text);
    rest = rest.slice(text.length);
    if (!isFull(part, text) && rest[0] === '/') rest = rest.slice(1);
  }
  return rest ? undefined : texts;
}

/** Where a caret stands among the parts: which part, and how far into it. */
export function locate(body: PartsBody, caret: number): { part: number; index: number } {
  const { texts, at } = body;
  let part = 0;
  while (part < texts.length - 1 && caret > item(at, part) + item(texts, part).length) part++;
  return { part, index: Math.max(0, Math.min(item(texts, part).length, caret - item(at, part))) };
}

const replaced = (texts: readonly string[], part: number, text: string): string[] => {
  const next = texts.slice();
  next[part] = text;
  return next;
};

/** One digit into a part. A first digit that can only be the whole of it is completed: `4` of a month is `04`. */
function enter(part: PartPlan, text: string, index: number, digit: string): string | Reason {
  const next = text.slice(0, index) + digit + text.slice(index);
  // Parts of an hour: what stands behind the point is the kind's own matter.
  const point = next.indexOf('.');
  if (point >= 0) return point > part.size ? 'full' : next;
  if (text.length >= part.size) return 'full';
  if (fits(part, next)) return next;
  const padded = `0${next}`;
  return !text && part.size === 2 && fits(part, padded) ? padded : 'out-of-bounds';
}

/** A letter into a part that is a word: the first one brings the word, further ones go on in it. */
function enterWord(part: PartPlan, text: string, index: number, c: string): string | undefined {
  const next = (text.slice(0, index) + c + text.slice(index)).toLowerCase();
  const meant = part.words!.filter((word) => word.toLowerCase().startsWith(next));
  // Words that begin alike are told apart by their first other letter: 오전, 오후.
  const other = part.words!.find(
    (word, i) =>
      !text &&
      [...word].some(
        (l, j) => l.toLowerCase() === next && part.words!.every((w, k) => k === i || [...w][j] !== l),
      ),
  );
  if (meant.length === 1) return text ? item(meant, 0).slice(0, next.length) : item(meant, 0);
  return meant.length ? item(meant, 0).slice(0, next.length) : other;
}

const separators = /^[\s.,:;/\-–]$/u;

export interface PartsKind<P extends PartsPlan, B extends PartsBody> {
  lay(plan: P, texts: readonly string[]): B;
  /** Reads a whole text in one of the kind's forms, `undefined` where it is none of them. */
  parse(plan: P, text: string): Parsed | undefined;
  /** What a part becomes when it is closed by a separator or left: padded, a year with its century. */
  close(plan: P, part: number, text: string): string;
  /** What a character that is neither taken nor a separator does, for kinds where letters mean something. */
  letter?(plan: P, body: B, caret: number, c: string): Edited<B> | undefined;
  /** Whether a part may become that, beside its own bounds. */
  takes?(plan: P, texts: readonly string[], part: number, next: string): boolean;
  /** Whether a text means something as a whole: then it is read so or refused, never typed key by key into another value. */
  isWhole?(text: string): boolean;
  /** Whether a text that looks like the field's own display may be taken for it. */
  isOwn?(plan: P, body: B): boolean;
  /** The part an empty field begins with, where that is not the first. */
  first?(plan: P): number;
}

/** Everything about editing that `Kind` asks for, for kinds made of parts. */
export function partsKind<P extends PartsPlan, B extends PartsBody>(kind: PartsKind<P, B>) {
  const caretIn = (body: B, part: number, index: number): number => item(body.at, part) + index;
  const empty = (plan: P): B =>
    kind.lay(
      plan,
      plan.parts.map(() => ''),
    );
  const whole = (_: P, body: B): Edited<B> => {
    const last = body.texts.findLastIndex((text) => text !== '');
    return {
      body,
      caret: last < 0 || last === body.texts.length - 1 ? endOf(body, last) : body.display.length,
    };
  };
  const endOf = ({ texts, at }: B, part: number): number =>
    part < 0 ? 0 : item(at, part) + item(texts, part).length;

  const cut = (plan: P, body: B, start: number, end: number): Edited<B> => {
    if (start >= end) return { body, caret: start };
    let first = -1;
    const texts = body.texts.map((text, i) => {
      const from = Math.max(0, Math.min(text.length, start - item(body.at, i)));
      const to = Math.max(0, Math.min(text.length, end - item(body.at, i)));
      if (from < to && first < 0) first = item(body.at, i) + from;
      return text.slice(0, from) + text.slice(to);
    });
    if (first < 0) return { body, caret: start };
    const next = kind.lay(plan, texts);
    return { body: next, caret: Math.min(start, first, next.display.length) };
  };

  /** Into the part at the caret, or the next one where that is full. */
  const typed = (plan: P, body: B, caret: number, c: string): Edited<B> | Reason => {
    let { part, index } = locate(body, caret);
    if (body.display === '' && kind.first) part = kind.first(plan);
    const isDigit = c >= '0' && c <= '9' && c.length === 1;
    for (;;) {
      const at = item(plan.parts, part);
      const text = item(body.texts, part);
      const isPassed = at.words
        ? isDigit && (text === '' || isFull(at, text))
        : index === text.length && isFull(at, text);
      if (!isPassed) break;
      if (part === body.texts.length - 1) {
        const isOwn = at.words !== undefined && text.toLowerCase().includes(c.toLowerCase());
        return isDigit ? 'full' : isOwn ? { body, caret } : 'not-accepted';
      }
      part++;
      index = 0;
    }
    const at = item(plan.parts, part);
    const text = item(body.texts, part);
    // The rest of a word that its first letter brought.
    if (at.words && !isDigit && isFull(at, text) && text.toLowerCase().includes(c.toLowerCase()))
      return { body, caret };
    const before = part > 0 && index === 0 ? item(plan.parts, part - 1) : undefined;
    const isRest = !isDigit && before?.words && isFull(before, item(body.texts, part - 1));
    if (
      isRest &&
      item(body.texts, part - 1)
        .toLowerCase()
        .includes(c.toLowerCase())
    )
      return { body, caret };
    if (!isDigit !== (at.words !== undefined)) return 'not-accepted';
    const next = isDigit ? enter(at, text, index, c) : enterWord(at, text, index, c);
    if (next === undefined) return 'not-accepted';
    if (next === 'full' || next === 'out-of-bounds') return next;
    if (kind.takes && !kind.takes(plan, body.texts, part, next)) return 'out-of-bounds';
    const after = kind.lay(plan, replaced(body.texts, part, next));
    const end = text ? index + 1 : next.length;
    const isDone = end === next.length && isFull(at, next) && part < body.texts.length - 1;
    return { body: after, caret: isDone ? caretIn(after, part + 1, 0) : caretIn(after, part, end) };
  };

  /** A separator: closes the part before it, or passes the one that already stands there. */
  const separated = (plan: P, body: B, caret: number): Edited<B> | Reason => {
    const { part, index } = locate(body, caret);
    const text = item(body.texts, part);
    if (index === 0 && part > 0) return { body, caret };
    if (!text || index < text.length || part === body.texts.length - 1) return 'not-accepted';
    const closed = kind.close(plan, part, text);
    if (!isFull(item(plan.parts, part), closed)) return 'not-accepted';
    if (!fits(item(plan.parts, part), closed)) return 'out-of-bounds';
    const next = closed === text ? body : kind.lay(plan, replaced(body.texts, part, closed));
    return { body: next, caret: caretIn(next, part + 1, 0) };
  };

  const key = (plan: P, body: B, start: number, end: number, character: string): Edited<B> | Reason => {
    const cleared = cut(plan, body, start, end);
    const c = fold(character);
    const edited = typed(plan, cleared.body, cleared.caret, c);
    if (typeof edited !== 'string') return edited;
    const meant = kind.letter?.(plan, cleared.body, cleared.caret, c.toLowerCase());
    if (meant) return meant;
    const isBetween = separators.test(c) || plan.between.some((text) => text.includes(c));
    return isBetween && edited === 'not-accepted' ? separated(plan, cleared.body, cleared.caret) : edited;
  };

  const insert = (plan: P, body: B, start: number, end: number, text: string): Taken<B> => {
    const { body: present, caret } = cut(plan, body, start, end);
    const isAlone = present.content === '';
    const typed = byKeys(plan, present, caret, text);
    // A text that typing makes itself of is this field's own display, partly typed perhaps.
    const looksOwn = isAlone && typed.body.display === text;
    if (looksOwn && (kind.isOwn?.(plan, typed.body) ?? true)) return { ...typed, leftOut: '' };
    const parsed = isAlone ? kind.parse(plan, text.normalize('NFC')) : undefined;
    if (parsed) {
      const { texts, leftOut, assumed } = parsed;
      const read = whole(plan, kind.lay(plan, texts));
      const body = assumed ? { ...read.body, assumed } : read.body;
      return { body, caret: read.caret, leftOut, rejected: null };
    }
    const folded = [...text].map(fold).join('');
    if (isAlone && kind.isWhole?.(folded)) {
      const leftOut = graphemes(text.normalize('NFC')).filter((c) => worthTelling.test(c));
      return { body: present, caret, leftOut: leftOut.join(''), rejected: 'not-accepted' };
    }
    return typed;
  };

  /** Several characters one after the other, keeping what is taken and telling what is not. */
  const byKeys = (plan: P, from: B, at: number, text: string): Taken<B> => {
    let present = from;
    let caret = at;
    let leftOut = '';
    let refusal: Reason | null = null;
    let taken = false;
    for (const character of graphemes(text.normalize('NFC'))) {
      const edited = key(plan, present, caret, caret, character);
      if (typeof edited !== 'string') {
        taken ||= edited.body !== present || edited.caret !== caret;
        ({ body: present, caret } = edited);
      } else if (worthTelling.test(character)) {
        leftOut += character;
        refusal = edited;
      }
    }
    return { body: present, caret, leftOut, rejected: taken ? null : refusal };
  };

  return {
    empty,
    whole,
    key,
    insert,
    read(plan: P, text: string): Taken<B> {
      const texts = textsOf(plan, text);
      const body = texts && kind.lay(plan, texts);
      if (body && body.content === text) return { ...whole(plan, body), leftOut: '', rejected: null };
      return insert(plan, empty(plan), 0, 0, text);
    },
    erase(plan: P, body: B, start: number, end: number, extent: Extent): Edited<B> {
      if (start < end || extent === 'selection') return cut(plan, body, start, end);
      const { part, index } = locate(body, start);
      if (extent === 'character-right') {
        if (index < item(body.texts, part).length) {
          const { body: rest } = cut(plan, body, caretIn(body, part, index), caretIn(body, part, index) + 1);
          return { body: rest, caret: Math.min(start, rest.display.length) };
        }
        const next = body.texts.findIndex((text, i) => i > part && text !== '');
        if (next < 0) return { body, caret: start };
        return { ...cut(plan, body, caretIn(body, next, 0), caretIn(body, next, 0) + 1), caret: start };
      }
      const from = index > 0 ? part : body.texts.findLastIndex((text, i) => i < part && text !== '');
      if (from < 0) return { body, caret: start };
      const before = index > 0 ? index : item(body.texts, from).length;
      return cut(
        plan,
        body,
        caretIn(body, from, extent === 'word-left' ? 0 : before - 1),
        caretIn(body, from, before),
      );
    },
    /** The number of the part at the caret one higher or lower, inside its bounds; an empty part begins with `from`. */
    stepped(
      plan: P,
      body: B,
      caret: number,
      by: 1 | -1,
      from: (part: number) => number,
      width?: number,
    ): Edited<B> {
      const { part } = locate(body, caret);
      const { size, low, high, words } = item(plan.parts, part);
      const text = item(body.texts, part);
      const next = words
        ? words[text === words[0] ? 1 : 0]!
        : `${text ? Math.max(low, Math.min(high, +text + by)) : from(part)}`.padStart(width ?? size, '0');
      const isKept = next === text || (kind.takes && !kind.takes(plan, body.texts, part, next));
      if (isKept) return { body, caret: caretIn(body, part, text.length) };
      const after = kind.lay(plan, replaced(body.texts, part, next));
      return { body: after, caret: caretIn(after, part, next.length) };
    },
  };
}
