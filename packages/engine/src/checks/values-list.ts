import type { Spot } from '../faults/spot.ts';
import { listOf, shape, text } from '../options/shapes.ts';
import type { Mutation } from './contract.ts';

/** What a list of raw values says, whichever of the two checks it is of. */
export function readValues(at: Spot): void {
  if (!at.has('values')) return;
  const values = at.get('values').items();
  for (const value of values) value.string();
  if (at.get('values').isEmpty) at.get('values').fault('Expected at least one value.');
}

export const schemaOfValues = (type: string) =>
  shape({ type: { const: type }, values: listOf(text, { minItems: 1 }) }, ['values']);

/** One of the first values left out. */
export const withoutOne = (check: {
  readonly type: string;
  readonly values: readonly string[];
}): readonly Mutation[] =>
  check.values.length > 1
    ? check.values
        .slice(0, 5)
        .map(
          (value): Mutation => [
            `without “${value}” in its list`,
            { ...check, values: check.values.filter((one) => one !== value) } as Mutation[1],
          ],
        )
    : [];
