/**
 * Characters as people count them. `Intl.Segmenter` is not at hand in every browser this code ships to, and a
 * tape must replay the same everywhere, so the boundaries are found here, after UAX #29 (extended grapheme
 * clusters) without the Indic conjunct rule.
 */

const joined = '[\\p{M}\\u200d]*';
const hangul =
  '[\\u1100-\\u115f\\ua960-\\ua97c]*[\\uac00-\\ud7a3\\u1160-\\u11a7\\ud7b0-\\ud7c6][\\u1160-\\u11ff\\ud7b0-\\ud7fb]*';
const picture = '\\p{ExtPict}([\\p{M}\\p{EMod}]*\\u200d\\p{ExtPict})*[\\u{e0020}-\\u{e007f}\\p{EMod}]*';
const cluster = new RegExp(`\r\n|\\p{RI}{2}|(${hangul}|${picture}|[^])[\\p{EMod}\\u200c]*${joined}`, 'gu');
/** Text in which every UTF-16 unit is a character of its own. */
const plain = /^[\x20-\u02ff\u2000-\u200b\u2010-\u2027\u202f-\u205f]*$/;

/** The characters (grapheme clusters) of `text`, in order; joined they are `text` again. */
export function graphemes(text: string): readonly string[] {
  if (text.length < 2) return text ? [text] : [];
  return plain.test(text) ? text.split('') : (text.match(cluster) ?? []);
}

/**
 * What a UTF-16 unit is to its neighbours: a base that begins a character of its own, a mark that joins the one before
 * it, or something the expression above must look at (pairs, pictures, flags, conjoining jamo, line ends).
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
/** Beyond the first plane: skin tones, tags and marks join the character before them, everything else begins one. */
const joinsAstral = /^[\p{EMod}\p{M}\u{e0020}-\u{e007f}]$/u;

/**
 * Whether a character certainly begins at an offset, of a text long enough for it to matter. `undefined` where only the
 * expression can tell: what a joiner ties together, jamo, line ends, half characters.
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
      // Flags are pairs, counted from where their run begins.
      let from = at;
      while (from > 1 && isFlag(text.codePointAt(from - 2)!)) from -= 2;
      return (at - from) % 4 === 0;
    }
    return !joinsAstral.test(String.fromCodePoint(code));
  }
  if (kind === base) return table[before] !== other || (before >= 0xdc00 && before < 0xe000);
  if (code >= 0xdc00 && code < 0xe000) {
    const isPair = before >= 0xd800 && before < 0xdc00;
    return isPair ? false : undefined;
  }
  return undefined;
}

/** How many characters (grapheme clusters) a text has; long texts are counted in one pass over their units. */
export function countOf(text: string): number {
  if (text.length < 256) return graphemes(text).length;
  let count = 1;
  let flags = 0;
  for (let i = 1; i < text.length; i++) {
    const code = text.codePointAt(i)!;
    let isStart: boolean | undefined;
    if (isFlag(code)) {
      // Their run is counted along: looking back from each would cost its length again and again.
      if (flags === 0) flags = i > 1 && isFlag(text.codePointAt(i - 2) ?? 0) ? 1 : 0;
      isStart = flags % 2 === 0;
      flags++;
    } else if (code < 0xdc00 || code > 0xdfff) {
      flags = 0;
      isStart = begins(text, i);
    } else isStart = begins(text, i);
    if (isStart) count++;
    else if (isStart === undefined) {
      // The expression reads from the last certain place to the next.
      const from = certain(text, i);
      let end = i + 1;
      while (end < text.length && !begins(text, end)) end++;
      count += graphemes(text.slice(from, end)).length - graphemes(text.slice(from, i)).length;
      i = end - 1;
    }
  }
  return count;
}

/** An offset at or left of `offset` where a character certainly begins, near it where the text allows. */
function certain(text: string, offset: number): number {
  for (let i = Math.min(offset, text.length - 1); i > 0; i--) if (begins(text, i)) return i;
  return 0;
}

/** The first character of a text from an offset on, '' at its end. */
export function characterAt(text: string, offset: number): string {
  const near = text.slice(offset, offset + 64);
  const [first = ''] = graphemes(near);
  return first.length < near.length || near.length < 64 ? first : graphemes(text.slice(offset))[0]!;
}

/** The nearest offset at or left of `offset` (UTF-16 units) that does not split a character of `text`. */
export function boundaryAt(text: string, offset: number): number {
  if (!(offset > 0)) return 0;
  if (offset >= text.length) return text.length;
  if (text.length < 256 ? plain.test(text) : plain.test(text.slice(offset - 1, offset + 1)))
    return offset | 0;
  let at = text.length < 256 ? 0 : certain(text, offset | 0);
  // Ends at the first character that reaches the offset: with a long text that is near.
  for (;;) {
    const { length } = characterAt(text, at);
    if (length === 0 || at + length > offset) return at;
    at += length;
  }
}

const decimalDigit = /^\p{Nd}$/u;

/**
 * The ASCII twin of a full-width form or of a decimal digit of any script, else the character itself; so is one that
 * carries a mark, which is another character.
 * Unicode keeps each script's ten digits (general category Nd) in one ascending run that starts at its zero.
 */
export function fold(character: string): string {
  const code = character.codePointAt(0)!;
  if (code < 0x80 || character.length > (code > 0xffff ? 2 : 1)) return character;
  if (code >= 0xff01 && code <= 0xff5e) return String.fromCharCode(code - 0xfee0);
  if (!decimalDigit.test(character)) return character;
  let first = code;
  while (decimalDigit.test(String.fromCodePoint(first - 1))) first--;
  return String((code - first) % 10);
}

/** Letters, digits and pictures are told when left out; spaces and punctuation may be dropped (law 6). */
export const worthTelling = /[\p{L}\p{N}\p{So}]/u;

/** ASCII digits in the digits of a script, `digits` its ten from zero; '' for ASCII, which stays. */
export const localized = (digits: string, text: string): string =>
  digits ? text.replace(/[0-9]/g, (d) => digits[+d]!) : text;
