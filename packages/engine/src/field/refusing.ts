import type { Rule } from '../rules/rule.ts';
import { hasClearing } from './features.ts';
import type { OpenField } from './kind.ts';
import type { FieldEvent, FieldState } from './moment.ts';
import type { Reading } from './reading.ts';

/**
 * The event that takes out what a rule refuses, if one does after `event`; to be carried out at once. `rules`: those of the reading's
 * findings, where a form has added some.
 */
export function refusalAfter(
  field: OpenField,
  { body: { content } }: FieldState,
  { type }: FieldEvent,
  reading: () => Reading,
  rules: readonly Rule[] = field.rules,
): FieldEvent | undefined {
  if (!hasClearing) return undefined;
  const refused = field.checks.clearing?.(rules, { type, content, reading });
  return refused && { type: 'refuse', refused };
}
