/** How JSON spells the values of a kind that are more than a text. */
export type JsonForm =
  | { readonly is: 'boolean' }
  /**
   * `decimals`: the most after the point. `digits`: the most in front of it; missing if there is no limit.
   */
  | {
      readonly is: 'number';
      readonly decimals: number;
      readonly digits?: number;
      readonly isSigned: boolean;
    }
  /**
   * A list of some of these texts, each once, with at least and at most so many. `between` separates them in
   * raw.
   */
  | {
      readonly is: 'list';
      readonly of: readonly string[];
      readonly least: number;
      readonly most: number;
      readonly between: ' ' | '\n';
    };

/** The typed values that fields of a definition can have, for types and schemas. Rules are not considered. */
export interface ValueForm {
  /** A TypeScript type expression that is a subtype of `string`. */
  readonly type: string;
  /** All values, if there are few. */
  readonly among?: readonly string[];
  /** A regular expression (ECMAScript, flag `u`) that matches each value as a whole, without `^` and `$`. */
  readonly expression?: string;
  /** Whether a value is the same text as its raw value. */
  readonly isRaw?: boolean;
  /** Why some texts that match are still refused, in words. */
  readonly beyond?: string;
  /** How JSON spells a value (`jsonRecord`); missing for a text. */
  readonly json?: JsonForm;
}

/** The value form of a few values: one of them and nothing else. */
export const amongThem = (values: readonly string[]): ValueForm => ({
  type: values.map((value) => JSON.stringify(value)).join(' | ') || 'never',
  among: values,
  isRaw: true,
});

/**
 * An expression for any number of symbols and spaces: characters that may be left out of a text without a
 * report (law 6).
 */
export const dropped = '[^\\p{L}\\p{N}\\p{So}]*';

/**
 * An expression for texts with at least `count` digits of any script. Used where a field reads texts in many
 * notations.
 */
export const digitsIn = (count: number): string =>
  count === 1 ? '[\\s\\S]*\\p{Nd}[\\s\\S]*' : `(?:[\\s\\S]*\\p{Nd}){${count}}[\\s\\S]*`;

/**
 * A template type of TypeScript for numbers with text before and between them.
 *
 * @example
 * numbersIn('', '-'); // two numbers and a hyphen between them
 */
export const numbersIn = (...before: readonly string[]): string =>
  `\`${before.map((text) => `${text}\${number}`).join('')}\``;

/**
 * A regular expression (ECMAScript, flag `u`) that matches exactly this text.
 *
 * @example
 * escaped('1.5'); // '1\\.5'
 */
export const escaped = (text: string): string => text.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&');

/** An expression for the numbers from `low` to `high`; both have the same number of digits. */
export function digitsBetween(low: string, high: string): string {
  if (low === '') return '';
  const [l, h] = [low.charAt(0), high.charAt(0)];
  const [lows, highs] = [low.slice(1), high.slice(1)];
  const rest = (n: number): string => (n === 0 ? '' : n === 1 ? '\\d' : `\\d{${n}}`);
  const oneOf = (from: number, to: number): string =>
    from === to ? `${from}` : from === 0 && to === 9 ? '\\d' : `[${from}-${to}]`;
  if (l === h) return l + digitsBetween(lows, highs);
  const isFirstWhole = /^0*$/.test(lows);
  const isLastWhole = /^9*$/.test(highs);
  const from = Number(l) + (isFirstWhole ? 0 : 1);
  const to = Number(h) - (isLastWhole ? 0 : 1);
  const ways = [
    ...(isFirstWhole ? [] : [l + digitsBetween(lows, '9'.repeat(lows.length))]),
    ...(from <= to ? [oneOf(from, to) + rest(lows.length)] : []),
    ...(isLastWhole ? [] : [h + digitsBetween('0'.repeat(highs.length), highs)]),
  ];
  return ways.length === 1 ? ways.join('') : `(?:${ways.join('|')})`;
}
