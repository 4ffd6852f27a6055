import { boundaryAt, characterAt, classesOf, graphemes } from './graphemes.ts';

/**
 * The same as in `graphemes.ts`, for texts so long that reading them from the beginning would be noticeable
 * at every key.
 */

/** Classes of code points that decide about a boundary from two neighbours alone (UAX #29). */
const base = 0;
const mark = 1;
const consonant = 2;
const picture = 3;
const control = 4;
const prepended = 5;
const jamo = 6;

let table: Uint8Array | undefined;
let sorts: readonly RegExp[] = [];

const jamos = '\\u1100-\\u11ff\\ua960-\\ua97f\\ud7b0-\\ud7ff';

function tableOf(): Uint8Array {
  const { consonant, control, prepend, joining } = classesOf();
  const sets = [
    `[${consonant}]`,
    '\\p{ExtPict}',
    `(?![${prepend}])[${control}]`,
    `[${prepend}]`,
    `[${jamos}]`,
  ];
  sorts = [joining, ...sets].map((set) => new RegExp(`^${set}$`, 'u'));
  table = new Uint8Array(0x10000);
  for (let code = 0; code < 0x10000; code++) table[code] = sortOf(String.fromCharCode(code));
  return table;
}

/** The class of a code point: the first whose expression matches. */
const sortOf = (character: string): number => sorts.findIndex((sort) => sort.test(character)) + 1;

const isHigh = (unit: number): boolean => unit >= 0xd800 && unit < 0xdc00;
const isLow = (unit: number): boolean => unit >= 0xdc00 && unit < 0xe000;
const isFlag = (code: number): boolean => code >= 0x1f1e6 && code <= 0x1f1ff;

/**
 * Whether a character starts at an offset greater than 0. `undefined` if this needs more context:
 * consonants after a mark, pictographs after a joiner, jamo.
 */
function begins(text: string, at: number): boolean | undefined {
  const known = table ?? tableOf();
  const unit = text.charCodeAt(at);
  const unitBefore = text.charCodeAt(at - 1);
  if (isLow(unit) && isHigh(unitBefore)) return false;
  const isPair = isHigh(unit) && isLow(text.charCodeAt(at + 1));
  const sort = isPair ? sortOf(text.slice(at, at + 2)) : known[unit]!;
  const isPairBefore = isLow(unitBefore) && at > 1 && isHigh(text.charCodeAt(at - 2));
  const before = isPairBefore ? sortOf(text.slice(at - 2, at)) : known[unitBefore]!;
  if (sort === control || before === control) return unit !== 10 || unitBefore !== 13;
  if (sort === mark || before === prepended) return false;
  if (isPair && isFlag(text.codePointAt(at)!)) {
    // Regional indicators form pairs, counted from the start of their run.
    let from = at;
    while (from > 1 && isFlag(text.codePointAt(from - 2)!)) from -= 2;
    return (at - from) % 4 === 0;
  }
  if (sort === consonant) return before !== mark || undefined;
  if (sort === picture) return unitBefore !== 0x200d || undefined;
  if (sort === jamo) return (before !== jamo && before !== base) || undefined;
  return before !== jamo || undefined;
}

/** Number of characters (grapheme clusters). Long texts are counted in one pass over their units. */
export function countOf(text: string): number {
  if (text.length < 256) return graphemes(text).length;
  let count = 1;
  let flags = 0;
  for (let i = 1; i < text.length; i++) {
    const code = text.codePointAt(i)!;
    let isStart: boolean | undefined;
    if (isFlag(code)) {
      // The run is counted while reading: looking back from each would cost its length again and again.
      isStart = flags === 0 ? begins(text, i) : flags % 2 === 0;
      // The first flag found may be the second of a pair that starts at 0.
      if (flags === 0 && isStart === false && i > 1 && isFlag(text.codePointAt(i - 2)!)) flags = 1;
      flags++;
    } else {
      // The second half of a flag is part of it; a single one ends the run, like anything else.
      const isSecondHalf = code >= 0xdc00 && code < 0xe000 && text.codePointAt(i - 1)! > 0xffff;
      if (!isSecondHalf) flags = 0;
      isStart = begins(text, i);
    }
    if (isStart) count++;
    else if (isStart === undefined) {
      // The expression reads from the last certain boundary to the next.
      const from = certain(text, i);
      let end = i + 1;
      while (end < text.length && !begins(text, end)) end++;
      count += graphemes(text.slice(from, end)).length - graphemes(text.slice(from, i)).length;
      i = end - 1;
      flags = 0;
    }
  }
  return count;
}

/** An offset at or left of `offset` where a character certainly begins, close to it if possible. */
function certain(text: string, offset: number): number {
  for (let i = Math.min(offset, text.length - 1); i > 0; i--) if (begins(text, i)) return i;
  return 0;
}

/** The same as `boundaryAt`, computed from the closest certain boundary. */
export function boundaryNear(text: string, offset: number): number {
  if (text.length < 256 || !(offset > 0) || offset >= text.length) return boundaryAt(text, offset);
  let at = certain(text, offset | 0);
  // Ends at the first character that reaches the offset, which is near.
  for (;;) {
    const { length } = characterAt(text, at);
    if (length === 0 || at + length > offset) return at;
    at += length;
  }
}
