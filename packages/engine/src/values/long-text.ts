import { boundaryAt, characterAt, graphemes } from './graphemes.ts';

/**
 * The same as in `graphemes.ts`, for texts so long that reading them from the beginning would be noticeable
 * at every key.
 */

/**
 * What a UTF-16 unit is to its neighbours: the base of a character, a mark that joins the one before, or
 * something that needs the expression above (pairs, pictures, flags, conjoining jamo, line ends).
 */
const base = 0;
const mark = 1;
const other = 2;
let classes: Uint8Array | undefined;

function classesOf(): Uint8Array {
  classes = new Uint8Array(0x10000);
  const isMark = /^[\p{M}\u200c\u200d]$/u;
  const isOther = /^[\p{Cs}\p{ExtPict}\p{EMod}\r\n\u1100-\u11ff\ua960-\ua97f\ud7b0-\ud7ff]$/u;
  for (let code = 0; code < 0x10000; code++) {
    const c = String.fromCharCode(code);
    classes[code] =
      (code >= 0xd800 && code < 0xe000) || isOther.test(c) ? other : isMark.test(c) ? mark : base;
  }
  return classes;
}

const isFlag = (code: number): boolean => code >= 0x1f1e6 && code <= 0x1f1ff;
/**
 * Beyond the first plane, skin tones, tags and marks join the character before them; everything else begins
 * one.
 */
const joinsAstral = /^[\p{EMod}\p{M}\u{e0020}-\u{e007f}]$/u;

/**
 * Whether a character certainly begins at an offset. `undefined` if only the expression can tell: joiners,
 * jamo, line ends, half characters.
 */
function begins(text: string, at: number): boolean | undefined {
  const table = classes ?? classesOf();
  const code = text.codePointAt(at)!;
  const before = text.charCodeAt(at - 1);
  const kind = table[text.charCodeAt(at)]!;
  if (kind === mark) return false;
  if (before === 0x200d && kind === other) return undefined;
  if (code > 0xffff) {
    if (isFlag(code)) {
      // Regional indicators form pairs, counted from the start of their run.
      let from = at;
      while (from > 1 && isFlag(text.codePointAt(from - 2)!)) from -= 2;
      return (at - from) % 4 === 0;
    }
    return !joinsAstral.test(String.fromCodePoint(code));
  }
  // A syllable continues if a leading jamo began it.
  if (kind === base) return table[before] !== other || (before >= 0xdc00 && before < 0xe000) || undefined;
  if (code >= 0xdc00 && code < 0xe000) {
    const isPair = before >= 0xd800 && before < 0xdc00;
    return isPair ? false : undefined;
  }
  return undefined;
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
      if (flags === 0) flags = begins(text, i) === false ? 1 : 0;
      isStart = flags % 2 === 0;
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
