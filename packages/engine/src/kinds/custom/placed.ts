import { graphemes } from '../../values/graphemes.ts';

/** The places of the user's characters in what a function shows. */
export interface Placed {
  readonly display: string;
  /** The offset of each character of the content (UTF-16 units of the display). */
  readonly places: readonly number[];
  /** Whether they could be elsewhere, because the fixed text has such characters too. */
  readonly isAmbiguous: boolean;
}

/**
 * What a function did that it may not, as a word and its details; the sentences are in `words.ts`, which no
 * page loads. Text was left out, reordered or changed; the result is not a line of text; the pieces of a list
 * are not the content.
 */
export type Misplaced = readonly [
  what: 'type' | 'list' | 'pieces' | 'long' | 'sign' | 'apart' | 'left-out' | 'order' | 'otherwise',
  about: string,
];

/** Longest text a function may show, in characters. */
export const mostShown = 2000;

/**
 * Text and places that a function returned, or what it did that it may not. The function returns the text as
 * displayed or, to mark the user's part itself, a list of pieces: fixed text and the user's text alternate,
 * fixed text first.
 */
export function placed(answer: unknown, content: readonly string[]): Placed | Misplaced {
  if (Array.isArray(answer)) return fromPieces(answer, content);
  if (typeof answer !== 'string') return ['type', answer === null ? 'undefined' : typeof answer];
  const problem = problemWith(answer);
  if (problem) return problem;
  const units = graphemes(answer);
  const first = leftmost(units, content);
  if (first.length < content.length) return missing(units, content, first.length);
  const last = rightmost(units, content);
  return { display: answer, places: first, isAmbiguous: first.some((at, i) => at !== last[i]) };
}

function fromPieces(answer: readonly unknown[], content: readonly string[]): Placed | Misplaced {
  if (!answer.every((piece) => typeof piece === 'string')) return ['list', ''];
  const display = answer.join('');
  const problem = problemWith(display);
  if (problem) return problem;
  const places: number[] = [];
  const own: string[] = [];
  let at = 0;
  for (const [i, piece] of answer.entries()) {
    if (i % 2 === 0) at += piece.length;
    else
      for (const c of graphemes(piece)) {
        own.push(c);
        places.push(at);
        at += c.length;
      }
  }
  // By whole characters: an accent that joins the letter before it makes one character of two.
  const isContent = own.length === content.length && own.every((c, i) => c === content[i]);
  return isContent && isWhole(display, places)
    ? { display, places, isAmbiguous: false }
    : ['pieces', own.join('')];
}

/**
 * Whether a character of the display starts at each of these offsets, so that none of them joins the text
 * before it.
 */
function isWhole(display: string, places: readonly number[]): boolean {
  const starts = new Set<number>();
  let at = 0;
  for (const c of graphemes(display)) {
    starts.add(at);
    at += c.length;
  }
  return places.every((place) => starts.has(place));
}

function problemWith(display: string): Misplaced | undefined {
  if (display.length > mostShown) return ['long', ''];
  if (/[\p{Cc}\p{Zl}\p{Zp}\p{Cs}]/u.test(display)) return ['sign', ''];
  return display === display.normalize('NFC') ? undefined : ['apart', ''];
}

/** Assigns each character the first place it can have, as long as there is one. */
function leftmost(units: readonly string[], content: readonly string[]): readonly number[] {
  const places: number[] = [];
  let at = 0;
  for (const unit of units) {
    if (unit === content[places.length]) places.push(at);
    at += unit.length;
  }
  return places;
}

/**
 * Assigns each character the last place it can have. There is one, because `leftmost` found places for all.
 */
function rightmost(units: readonly string[], content: readonly string[]): readonly number[] {
  const places: number[] = [];
  let at = units.reduce((sum, { length }) => sum + length, 0);
  for (let i = units.length - 1; i >= 0; i--) {
    at -= units[i]!.length;
    if (units[i] === content[content.length - 1 - places.length]) places.push(at);
  }
  return places.reverse();
}

/** Why the content does not appear completely and in order. */
function missing(units: readonly string[], content: readonly string[], found: number): Misplaced {
  const rest = [...units];
  for (const c of content) {
    const i = rest.indexOf(c);
    if (i >= 0) {
      rest.splice(i, 1);
      continue;
    }
    const other = rest.find((unit) => unit.toLowerCase() === c.toLowerCase());
    return other === undefined ? ['left-out', c] : ['otherwise', `${c} ${other}`];
  }
  return ['order', content[found]!];
}

/**
 * Places found by comparing two displays: that of the content, and that of another with as many characters,
 * all of them different. What differs belongs to the user. `undefined` if the two are laid out differently.
 */
export function toldApart(
  display: string,
  content: readonly string[],
  twin: string,
  twinContent: readonly string[],
): readonly number[] | undefined {
  const [units, others] = [graphemes(display), graphemes(twin)];
  if (units.length !== others.length) return undefined;
  const places: number[] = [];
  let at = 0;
  for (const [i, unit] of units.entries()) {
    if (unit !== others[i]) {
      const which = places.length;
      if (unit !== content[which] || others[i] !== twinContent[which]) return undefined;
      places.push(at);
    }
    at += unit.length;
  }
  return places.length === content.length ? places : undefined;
}
