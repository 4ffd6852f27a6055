import type { EditResult, Extent, InsertResult, Reason, TextState } from '../../field/text-state.ts';
import { graphemes, worthTelling } from '../../values/graphemes.ts';

/**
 * Editing for kinds whose content is in the display in order, one UTF-16 unit per character, with symbols and
 * separators between: numbers, telephone numbers, codes. The kind defines how content is laid out and what a
 * character does; carets and deletions are the same for all and are computed here.
 */
export interface LineBody extends TextState {
  /** Offsets of the content in the display; the caret stays inside. */
  readonly from: number;
  readonly to: number;
  /** Number of characters there that look like content and are not: the padding zeros of a right fill. */
  readonly skip: number;
  /** Offset of the first character of the content if it is outside (a minus), otherwise -1. */
  readonly head: number;
}

/** Content, with the number of its characters left of the caret. */
export interface ContentEdit {
  readonly content: string;
  readonly at: number;
}

/** A pasted text as the characters to type. */
export interface Cleaned {
  readonly text: string;
  readonly leftOut: string;
  readonly assumed?: string;
}

export interface Line<P, B extends LineBody> {
  lay(plan: P, content: string): B;
  /** Whether a UTF-16 unit inside the content's offsets is content. */
  is(plan: P, unit: number): boolean;
  /** The content with one more character after its first `at` ones, or a reason. */
  insertCharacter(plan: P, content: string, at: number, character: string): ContentEdit | Reason;
  clean(plan: P, text: string, into: string): Cleaned;
}

/** Number of characters of the content left of an offset. */
function countLeft<P, B extends LineBody>(line: Line<P, B>, plan: P, body: B, offset: number): number {
  const { display, from, to, skip, head } = body;
  const end = offset < to ? offset : to;
  let seen = 0;
  for (let i = from; i < end; i++) if (line.is(plan, display.charCodeAt(i))) seen++;
  return (seen > skip ? seen - skip : 0) + (head >= 0 && offset > head ? 1 : 0);
}

/** The nearest offset where the caret may be: in the content, or before a sign that is apart from it. */
function placed({ from, to, head }: LineBody, offset: number): number {
  const isBefore = head >= 0 && offset <= head;
  return isBefore ? head : Math.max(from, Math.min(to, offset));
}

/** Offset of the character at an index; after the last one, the end of the content. */
function offsetOf<P, B extends LineBody>(line: Line<P, B>, plan: P, body: B, index: number): number {
  const { display, from, to, skip, head } = body;
  if (head >= 0 && index === 0) return head;
  let wanted = index + skip - (head >= 0 ? 1 : 0);
  for (let i = from; i < to; i++) if (line.is(plan, display.charCodeAt(i)) && wanted-- === 0) return i;
  return to;
}

/** Offset after the first `count` characters; a sign in front is passed with its fixed text. */
function offsetAfter<P, B extends LineBody>(line: Line<P, B>, plan: P, body: B, count: number): number {
  if (count >= body.content.length) return body.to;
  if (body.head >= 0 && count < 2) return count ? body.from : body.head;
  return count ? offsetOf(line, plan, body, count - 1) + 1 : body.from;
}

/** The content without characters `first` to `end`. */
function without<P, B extends LineBody>(
  line: Line<P, B>,
  plan: P,
  body: B,
  [first, end]: readonly [first: number, end: number],
  caret: number,
): EditResult<B> {
  if (first < 0 || first >= end || end > body.content.length) return { body, caret: placed(body, caret) };
  const aim = Math.min(caret, offsetOf(line, plan, body, first));
  const rest = line.lay(plan, body.content.slice(0, first) + body.content.slice(end));
  // The kind may have dropped more (leading zeros), so the content right of the caret is counted from the
  // end.
  const right = Math.min(body.content.length - end, rest.content.length);
  const at = rest.content.length - right;
  const low = offsetAfter(line, plan, rest, at);
  const high = right ? offsetOf(line, plan, rest, at) : rest.to;
  return { body: rest, caret: Math.max(Math.min(low, high), Math.min(aim, high)) };
}

function cut<P, B extends LineBody>(
  line: Line<P, B>,
  plan: P,
  body: B,
  start: number,
  end: number,
): EditResult<B> {
  if (start === end) return { body, caret: start };
  const gone = [countLeft(line, plan, body, start), countLeft(line, plan, body, end)] as const;
  return without(line, plan, body, gone, start);
}

/** Handles fixed text that is typed: it is passed if it comes next, and ignored if it was just placed. */
function passOver<P, B extends LineBody>(
  line: Line<P, B>,
  plan: P,
  { body, caret }: EditResult<B>,
  count: number,
  character: string,
): EditResult<B> | undefined {
  const { content, display, to } = body;
  const next = count < content.length ? offsetOf(line, plan, body, count) : display.length;
  const ahead = display.slice(caret, next).indexOf(character);
  if (ahead >= 0) return { body, caret: Math.min(to, caret + ahead + character.length) };
  const last = count ? offsetOf(line, plan, body, count - 1) + 1 : 0;
  return display.slice(last, caret).includes(character) ? { body, caret } : undefined;
}

const laid = <P, B extends LineBody>(line: Line<P, B>, plan: P, body: B, content: string): B =>
  content === body.content ? body : line.lay(plan, content);

/** Inserts a text: what the kind makes of it, typed character by character and laid out once. */
function insert<P, B extends LineBody>(
  line: Line<P, B>,
  plan: P,
  cleared: EditResult<B>,
  text: string,
): InsertResult<B> {
  let { content } = cleared.body;
  let at = countLeft(line, plan, cleared.body, cleared.caret);
  const { text: clean, leftOut: left, assumed } = line.clean(plan, text.normalize('NFC'), content);
  let leftOut = left;
  let refusal: Reason | null = leftOut ? 'not-accepted' : null;
  let taken = false;
  for (const character of graphemes(clean)) {
    const put = line.insertCharacter(plan, content, at, character);
    if (typeof put !== 'string') {
      taken ||= put.content !== content || put.at !== at;
      ({ content, at } = put);
    } else if (worthTelling.test(character)) {
      leftOut += character;
      refusal = put;
    }
  }
  const next = laid(line, plan, cleared.body, content);
  return {
    body: assumed && taken ? { ...next, assumed } : next,
    caret: taken ? offsetAfter(line, plan, next, at) : cleared.caret,
    leftOut,
    rejected: taken ? null : refusal,
  };
}

/** The indexes of the content that a deletion without selection removes. */
function reach<P, B extends LineBody>(
  line: Line<P, B>,
  plan: P,
  body: B,
  count: number,
  extent: Extent,
): [first: number, end: number] {
  if (extent === 'character-left') return [count - 1, count];
  if (extent === 'character-right') return [count, count + 1];
  // A word is a run of content without fixed text in it.
  let first = Math.max(0, count - 1);
  while (first > 0 && offsetOf(line, plan, body, first - 1) === offsetOf(line, plan, body, first) - 1)
    first--;
  return [first, count];
}

/** The editing functions of `Kind`, from a `Line`. */
export function lineKind<P, B extends LineBody>(line: Line<P, B>) {
  return {
    empty: (plan: P): B => line.lay(plan, ''),
    caretAtEnd: (_: P, body: B): EditResult<B> => ({ body, caret: body.to }),
    clampCaret: (_: P, body: B, offset: number): number => placed(body, offset),

    key(plan: P, body: B, start: number, end: number, character: string): EditResult<B> | Reason {
      const cleared = cut(line, plan, body, start, end);
      // Most keys are typed after everything else.
      const isLast = cleared.caret === cleared.body.to;
      const count = isLast ? cleared.body.content.length : countLeft(line, plan, cleared.body, cleared.caret);
      const put = line.insertCharacter(plan, cleared.body.content, count, character);
      if (typeof put === 'string') return passOver(line, plan, cleared, count, character) ?? put;
      const next = laid(line, plan, cleared.body, put.content);
      return { body: next, caret: offsetAfter(line, plan, next, put.at) };
    },

    insert: (plan: P, body: B, start: number, end: number, text: string): InsertResult<B> =>
      insert(line, plan, cut(line, plan, body, start, end), text),

    erase(plan: P, body: B, start: number, end: number, extent: Extent): EditResult<B> {
      if (start < end || extent === 'selection') return cut(line, plan, body, start, end);
      const count = countLeft(line, plan, body, start);
      return without(line, plan, body, reach(line, plan, body, count, extent), start);
    },
  };
}
