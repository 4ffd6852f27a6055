import type { Rule } from '../rules/rule.ts';
import type { Evaluation } from './evaluation.ts';
import { hasClearRejected } from './features.ts';
import type { FieldEvent, FieldState } from './field-state.ts';
import type { HydratedField } from './kind.ts';

/**
 * The event that takes out what a rule refuses, if one does after `event`; to be carried out at once. `rules`: those of the reading's
 * findings, where a form has added some.
 */
export function refusalAfter(
  field: HydratedField,
  { body: { content } }: FieldState,
  { type }: FieldEvent,
  evaluation: () => Evaluation,
  rules: readonly Rule[] = field.rules,
): FieldEvent | undefined {
  if (!hasClearRejected) return undefined;
  const refused = field.checks.clearRejected?.(rules, { type, content, evaluation });
  return refused && { type: 'refuse', refused };
}
