import type { HydratedField } from './kind.ts';

/**
 * The values that a raw value has: one, or those that are picked in a field that may have several.
 *
 * @example
 * const values = (meals: HydratedField) => pickedValues(meals, 'half late'); // ['half', 'late']
 */
export function pickedValues({ kind, plan }: HydratedField, raw: string): readonly string[] {
  if (raw === '') return [];
  const between = kind.separator?.(plan);
  return between === undefined ? [raw] : raw.split(between);
}

/**
 * Several values as the raw value of a field. A field that may have one value accepts none of several.
 *
 * @example
 * const raw = (meals: HydratedField) => joinValues(meals, ['half', 'late']); // 'half late'
 */
export const joinValues = ({ kind, plan }: HydratedField, values: readonly string[]): string =>
  values.join(kind.separator?.(plan) ?? (kind.control === 'picks' ? '\n' : ' '));
