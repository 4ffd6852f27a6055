/**
 * Characters as people count them. Not every browser this code ships to has `Intl.Segmenter`, and a tape must
 * replay the same everywhere. So the boundaries are found here, after UAX #29 (extended grapheme clusters)
 * without the Indic conjunct rule.
 */

const joined = '[\\p{M}\\u200d]*';
const hangul =
  '[\\u1100-\\u115f\\ua960-\\ua97c]*[\\uac00-\\ud7a3\\u1160-\\u11a7\\ud7b0-\\ud7c6][\\u1160-\\u11ff\\ud7b0-\\ud7fb]*';
const picture = '\\p{ExtPict}([\\p{M}\\p{EMod}]*\\u200d\\p{ExtPict})*[\\u{e0020}-\\u{e007f}\\p{EMod}]*';
const cluster = new RegExp(`\r\n|\\p{RI}{2}|(${hangul}|${picture}|[^])[\\p{EMod}\\u200c]*${joined}`, 'gu');
/** Text in which every UTF-16 unit is a character of its own. */
const plain = /^[\x20-\u02ff\u2000-\u200b\u2010-\u2027\u202f-\u205f]*$/;

/**
 * The grapheme clusters of a text (UAX #29), in order; joined they are the text.
 *
 * @example
 * graphemes('e\u0301a'); // ['e\u0301', 'a']
 */
export function graphemes(text: string): readonly string[] {
  if (text.length < 2) return text ? [text] : [];
  return plain.test(text) ? text.split('') : (text.match(cluster) ?? []);
}

/** The first character of a text from an offset on; empty at its end. */
export function characterAt(text: string, offset: number): string {
  const near = text.slice(offset, offset + 64);
  const [first = ''] = graphemes(near);
  return first.length < near.length || near.length < 64 ? first : graphemes(text.slice(offset))[0]!;
}

/**
 * The nearest offset at or left of `offset` (UTF-16 units) that splits no character of `text`. `boundaryNear`
 * is faster for long texts.
 */
export function boundaryAt(text: string, offset: number): number {
  if (!(offset > 0)) return 0;
  if (offset >= text.length) return text.length;
  if (plain.test(text.slice(offset - 1, offset + 1))) return offset | 0;
  let at = 0;
  for (const { length } of graphemes(text)) {
    if (at + length > offset) break;
    at += length;
  }
  return at;
}

const decimalDigit = /^\p{Nd}$/u;

/**
 * The ASCII equivalent of a full-width character or of a decimal digit of any script, otherwise the character
 * itself; also for a character with a mark. Unicode has each script's ten digits (general category Nd) in one
 * ascending run.
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

/**
 * Characters that must be reported when left out: letters, digits, pictures. Spaces and punctuation may be
 * dropped (law 6).
 */
export const worthTelling = /[\p{L}\p{N}\p{So}]/u;

/**
 * ASCII digits in the digits of a script. `digits` are its ten digits from zero; empty for ASCII, which
 * stays.
 */
export const localized = (digits: string, text: string): string =>
  digits ? text.replace(/[0-9]/g, (d) => digits[+d]!) : text;
