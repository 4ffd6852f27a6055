/**
 * Characters as people count them. Some browsers do not have `Intl.Segmenter`, and the others use different
 * versions of Unicode. A tape must replay the same everywhere, so the boundaries are computed here (UAX #29,
 * extended grapheme clusters, revision 47).
 */

/**
 * The content of a character class from the distances between its ranges, in base 36: `2h+3` is a range of
 * four code points that starts 89 after the end of the previous range. This form is a third as long.
 */
function content(distances: string): string {
  let at = 0;
  return distances.replace(/(\w+)(?:\+(\w+))? ?/g, (_, gap: string, length = '0') => {
    const from = at + Number.parseInt(gap, 36);
    at = from + Number.parseInt(length, 36);
    return `\\u{${from.toString(16)}}-\\u{${at.toString(16)}}`;
  });
}

/**
 * Classes of UAX #29, each as the content of a character class. Classes without a `RegExp` property are
 * listed as in GraphemeBreakProperty.txt and DerivedCoreProperties.txt of Unicode 17.
 */
export function classesOf() {
  const extend = '\\p{Gr_Ext}\\p{EMod}\\u200d';
  const loose = content('36z+1 c 16+2 3+6 m 4+5 3 b+2 1xh 2+1 sgn 2 lgj+1');
  return {
    /** Control, CR and LF. Some of these are in other classes too, which have priority. */
    control:
      '\\p{Cc}\\p{Cf}\\p{Zl}\\p{Zp}\\u2065\\ufff0-\\ufff8\\u{e0000}\\u{e0002}-\\u{e001f}\\u{e0080}-\\u{e00ff}\\u{e01f0}-\\u{e0fff}',
    /** Extend and ZWJ. */
    extend,
    prepend: content('16o+5 60 1e ap+1 29 vg 1f8v g 6t+1 em 12m 2 8z+5 jh cc'),
    /** InCB = Linker. */
    linker: content('1u5 3k 74 3k 74 74 ks 1i1 i6 6c 2v s2d 8m itl 1dg il 12m 7d 2a x5'),
    /** InCB = Consonant. */
    consonant: content(
      '1sl+10 v+7 p+7 m+j 2+6 2 4+3 z+1 2 h+1 4k+j 2+6 2+1 2+4 1s s+j 2+6 2+1 2+4 z+1 2 i 4k+j 2+f v+2 57+11 jq+16 l h+5 5+3 4 4+1 8+2 5+c d 1de+1f h9+1g 53+1 7+w i+7 1j+t e+1 c+2 s0c+2 4+z 1a+4 3+8 b+4 2q+f 2+2 7 4+1 2p+a 5y+q ili g+3 2+2 2+s 1ce+z u 3 ft+9 2 3 2+11 11n+6 3 3+7 2+1 2+n 5t b+13 u c+13 w1+c 2+x',
    ),
    /**
     * As an expression of its own: Extend, ZWJ and SpacingMark, which join the character before them (GB9,
     * GB9a). Some spacing combining marks (Mc) are not SpacingMark.
     */
    joining: `(?:[${extend}\\u0e33\\u0eb3]|(?![${loose}])\\p{Mc})`,
  };
}

let cluster: RegExp | undefined;

/** The expression for one cluster, compiled at first use. */
function clusterOf(): RegExp {
  const { control, extend, prepend, linker, consonant, joining } = classesOf();
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

/** What a refusal of a whole text reports: its characters without spaces and punctuation. */
export const toldOf = (text: string): string =>
  graphemes(text.normalize('NFC'))
    .filter((c) => worthTelling.test(c))
    .join('');

/**
 * ASCII digits in the digits of a script. `digits` are its ten digits from zero; empty for ASCII, which
 * stays.
 */
export const localized = (digits: string, text: string): string =>
  digits ? text.replace(/[0-9]/g, (d) => digits[+d]!) : text;
