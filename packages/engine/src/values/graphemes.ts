/**
 * Characters as people count them. Some browsers do not have `Intl.Segmenter`, and the others use different
 * versions of Unicode. A tape must replay the same everywhere, so the boundaries are computed here (UAX #29,
 * extended grapheme clusters, revision 47).
 */

/**
 * Classes of UAX #29, each as the content of a character class. Classes without a `RegExp` property are
 * listed as in GraphemeBreakProperty.txt and DerivedCoreProperties.txt of Unicode 17.
 */
export const classes = {
  /** Control, CR and LF. Some of these are in other classes too, which have priority. */
  control:
    '\\p{Cc}\\p{Cf}\\p{Zl}\\p{Zp}\\u2065\\ufff0-\\ufff8\\u{e0000}\\u{e0002}-\\u{e001f}\\u{e0080}-\\u{e00ff}\\u{e01f0}-\\u{e0fff}',
  /** Extend and ZWJ. */
  extend: '\\p{Gr_Ext}\\p{EMod}\\u200d',
  /** Spacing combining marks (Mc) that are not SpacingMark. A character starts at them. */
  loose:
    '\\u102b\\u102c\\u1038\\u1062-\\u1064\\u1067-\\u106d\\u1083\\u1087-\\u108c\\u108f\\u109a-\\u109c\\u1a61\\u1a63\\u1a64\\uaa7b\\uaa7d\\u{11720}\\u{11721}',
  prepend:
    '\\u0600-\\u0605\\u06dd\\u070f\\u0890\\u0891\\u08e2\\u0d4e\\u{110bd}\\u{110cd}\\u{111c2}\\u{111c3}\\u{113d1}\\u{1193f}\\u{11941}\\u{11a84}-\\u{11a89}\\u{11d46}\\u{11f02}',
  /** InCB = Linker. */
  linker:
    '\\u094d\\u09cd\\u0acd\\u0b4d\\u0c4d\\u0d4d\\u1039\\u17d2\\u1a60\\u1b44\\u1bab\\ua9c0\\uaaf6\\u{10a3f}\\u{11133}\\u{113d0}\\u{1193e}\\u{11a47}\\u{11a99}\\u{11f42}',
  /** InCB = Consonant. */
  consonant:
    '\\u0915-\\u0939\\u0958-\\u095f\\u0978-\\u097f\\u0995-\\u09a8\\u09aa-\\u09b0\\u09b2\\u09b6-\\u09b9\\u09dc\\u09dd\\u09df\\u09f0\\u09f1\\u0a95-\\u0aa8\\u0aaa-\\u0ab0\\u0ab2\\u0ab3\\u0ab5-\\u0ab9\\u0af9\\u0b15-\\u0b28\\u0b2a-\\u0b30\\u0b32\\u0b33\\u0b35-\\u0b39\\u0b5c\\u0b5d\\u0b5f\\u0b71\\u0c15-\\u0c28\\u0c2a-\\u0c39\\u0c58-\\u0c5a\\u0d15-\\u0d3a\\u1000-\\u102a\\u103f\\u1050-\\u1055\\u105a-\\u105d\\u1061\\u1065\\u1066\\u106e-\\u1070\\u1075-\\u1081\\u108e\\u1780-\\u17b3\\u1a20-\\u1a54\\u1b0b\\u1b0c\\u1b13-\\u1b33\\u1b45-\\u1b4c\\u1b83-\\u1ba0\\u1bae\\u1baf\\u1bbb-\\u1bbd\\ua989-\\ua98b\\ua98f-\\ua9b2\\ua9e0-\\ua9e4\\ua9e7-\\ua9ef\\ua9fa-\\ua9fe\\uaa60-\\uaa6f\\uaa71-\\uaa73\\uaa7a\\uaa7e\\uaa7f\\uaae0-\\uaaea\\uabc0-\\uabda\\u{10a00}\\u{10a10}-\\u{10a13}\\u{10a15}-\\u{10a17}\\u{10a19}-\\u{10a35}\\u{11103}-\\u{11126}\\u{11144}\\u{11147}\\u{11380}-\\u{11389}\\u{1138b}\\u{1138e}\\u{11390}-\\u{113b5}\\u{11900}-\\u{11906}\\u{11909}\\u{1190c}-\\u{11913}\\u{11915}\\u{11916}\\u{11918}-\\u{1192f}\\u{11a00}\\u{11a0b}-\\u{11a32}\\u{11a50}\\u{11a5c}-\\u{11a83}\\u{11f04}-\\u{11f10}\\u{11f12}-\\u{11f33}',
};

/** Extend, ZWJ and SpacingMark: they join the character before them (GB9, GB9a). */
export const joining = `(?:[${classes.extend}\\u0e33\\u0eb3]|(?![${classes.loose}])\\p{Mc})`;

let cluster: RegExp | undefined;

/** The expression for one cluster, compiled at first use. */
function clusterOf(): RegExp {
  const { control, extend, prepend, linker, consonant } = classes;
  const leading = '[\\u1100-\\u115f\\ua960-\\ua97c]';
  const vowel = '[\\u1160-\\u11a7\\ud7b0-\\ud7c6]';
  const trailing = '[\\u11a8-\\u11ff\\ud7cb-\\ud7fb]';
  // Syllables without a trailing consonant (LV): every 28th.
  const open = Array.from({ length: 399 }, (_, i) => String.fromCharCode(0xac00 + 28 * i)).join('');
  const whole = `${vowel}+|[${open}]${vowel}*|(?![${open}])[\\uac00-\\ud7a3]`;
  const hangul = `${leading}*(?:${whole})${trailing}*|${leading}+|${trailing}+`;
  const picture = `\\p{ExtPict}(?:[\\p{Gr_Ext}\\p{EMod}]*\\u200d\\p{ExtPict})*`;
  // The first linker is matched without backtracking, so the time is linear in the number of marks.
  const marks = `(?:(?![${linker}\\u200c])[${extend}])*[${linker}](?:(?!\\u200c)[${extend}])*`;
  const conjunct = `[${consonant}](?:${marks}[${consonant}])*`;
  const core = `${hangul}|\\p{RI}{2}|${picture}|${conjunct}|[${extend}${prepend}]|[^${control}]`;
  cluster = new RegExp(`\r\n|[${prepend}]*(?:${core})${joining}*|[^]`, 'gu');
  return cluster;
}

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
  return plain.test(text) ? text.split('') : (text.match(cluster ?? clusterOf()) ?? []);
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
