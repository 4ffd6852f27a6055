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
  /** Words and signs of this field that a paste may contain: currency sign and code, unit. */
  readonly own: readonly string[];
}
