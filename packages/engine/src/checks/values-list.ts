import type { List } from '../options/option.ts';
import type { Mutation } from './contract.ts';

/** The option `values` of the checks `one-of` and `none-of`. */
export const valuesOption = {
  is: 'list',
  label: 'Raw values',
  at: [],
  of: { is: 'text' },
  least: 1,
  needed: true,
} as const satisfies List;

/** Mutations that remove one of the first values. */
export const withoutOne = (check: {
  readonly type: string;
  readonly values: readonly string[];
}): readonly Mutation[] =>
  check.values.length > 1
    ? check.values
        .slice(0, 5)
        .map(
          (value): Mutation => [
            `“${value}” removed from the list`,
            { ...check, values: check.values.filter((one) => one !== value) } as Mutation[1],
          ],
        )
    : [];
