import { recase } from '../../values/characters.ts';
import { fold, graphemes, worthTelling } from '../../values/graphemes.ts';

/** The characters a field distinguishes. */
export interface Alphabet {
  /** At least one of every class, and more at the edges of classes. */
  readonly characters: readonly string[];
  /**
   * The class of a character for the field, wherever it is. Two characters of one class are treated alike.
   */
  sortOf(character: string): string;
}

/**
 * Characters of every kind: digits and letters of ASCII, full-width and of other scripts, numbers that are
 * not digits, marks, symbols, pictures, and characters that join their neighbour: joiners, skin tones, half
 * flags, conjoining jamo.
 */
const everySort = [...'0159azAZéÉß漢٣７ＡＺａ½Ⅷ .-_@#/:()+,\u0301😀‼☎\u200c\u200d\u{1f3fb}\u{1f1ec}각가각'];

/** How a character joins the one before it (UAX #29). */
const melting = [
  /\p{M}|\u200d/u,
  /\u200c|\p{EMod}/u,
  /\p{RI}/u,
  /\p{ExtPict}/u,
  /[\u1100-\u115f]/,
  /[\u1160-\u11a7]/,
  /[\u11a8-\u11ff]/,
  /[\uac00-\ud7a3]/,
];
const joinOf = (c: string): number => melting.findIndex((sort) => sort.test(c));

/**
 * How the end of a text combines with the next character. Two texts with the same result behave alike.
 *
 * @example
 * endOf('a') === endOf('b');
 */
export function endOf(text: string): string {
  const last = graphemes(text).at(-1) ?? '';
  return `${worthTelling.test(last)} ${joinOf([...last].at(-1) ?? '')}`;
}

const other = (c: string): readonly string[] => [recase(c, 'upper'), recase(c, 'lower')];

/** The full-width form of a character that has one (Unicode, Halfwidth and Fullwidth Forms). */
function wideOf(c: string): readonly string[] {
  const code = c.codePointAt(0) ?? 0;
  return code > 0x20 && code < 0x7f ? [String.fromCodePoint(code + 0xfee0)] : [];
}

/** Characters at and beside the edges of ranges, where membership is decided. */
const edgesOf = (ranges: readonly number[]): readonly string[] =>
  ranges
    .flatMap((code) => [code - 1, code, code + 1])
    .filter((code) => code > 0x20 && code <= 0x10ffff && (code < 0xd800 || code > 0xdfff))
    .map((code) => String.fromCodePoint(code));

/**
 * The alphabet of a field: characters of every kind, those at the edges of its own ranges and those it knows
 * individually, each in both cases and full-width, with the class that `sortOf` gives each of them.
 */
export function alphabetOf(
  ranges: readonly number[],
  known: readonly string[],
  sortOf: (character: string) => string,
): Alphabet {
  const own = [...edgesOf(ranges), ...known];
  return {
    characters: [...new Set([...everySort, ...own, ...own.flatMap(other), ...own.flatMap(wideOf)])],
    sortOf: (c) => `${worthTelling.test(c)} ${joinOf(c)} ${fold(c) !== c} ${sortOf(c)}`,
  };
}
