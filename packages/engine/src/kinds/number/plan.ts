/** A number, an amount of money (ISO 4217) or a percentage, with its locale's conventions. */
export interface NumberPlan {
  readonly kind: 'number' | 'currency' | 'percent';
  /** Text before and after the digits, for non-negative and negative numbers. */
  readonly around: readonly [prefix: string, suffix: string];
  readonly aroundNegative: readonly [prefix: string, suffix: string];
  /** The sign of a minus; its first occurrence in the negative prefix is the typed one. */
  readonly minus: string;
  readonly decimal: string;
  readonly group: string;
  /** Sizes of the last group and of those before, and the digits needed before the first separator. */
  readonly sizes: readonly [last: number, others: number, least: number];
  /** The locale's ten digits; empty for ASCII. */
  readonly digits: string;
  /** Fewest decimals of a complete value, and most that can be typed. */
  readonly least: number;
  readonly most: number;
  readonly fill: 'left' | 'right';
  readonly grouping: 'typing' | 'leave' | 'never';
  /** Whether decimals are filled to `least` on blur. */
  readonly pad: boolean;
  readonly negative: 'no' | 'minus' | 'parentheses';
  /** Step and limits of the arrow keys as decimals; empty for none. */
  readonly step: string;
  readonly min: string;
  readonly max: string;
  /**
   * The unit after one: always after 1, and where the locale counts so after 0, after 1 with zero decimals,
   * and after fractions.
   */
  readonly singular?: {
    readonly of: string;
    readonly one: string;
    readonly zero: boolean;
    readonly padded: boolean;
    readonly parts: boolean;
  };
  /** The texts around numbers for a unit of the platform that depend on how many there are (`Intl`). */
  readonly plurals?: Plurals;
  /** Words and signs of this field that a paste may contain: currency sign and code, unit. */
  readonly own: readonly string[];
}

/** The texts around numbers by how many there are, and which text a number has. */
export interface Plurals {
  readonly forms: readonly {
    readonly around: readonly [prefix: string, suffix: string];
    readonly aroundNegative: readonly [prefix: string, suffix: string];
  }[];
  /** A form (as a digit) for each whole number below 200; from 100 on, two last digits decide. */
  readonly whole: string;
  /**
   * A form for each number with decimals: for 0, 1 and others before the point, the ten with one decimal and
   * the hundred with two. One digit if all have one form.
   */
  readonly parts: string;
}
