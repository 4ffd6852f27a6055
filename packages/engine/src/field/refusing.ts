import type { Rule } from '../rules/rule.ts';
import type { Evaluation } from './evaluation.ts';
import { hasClearRejected } from './features.ts';
import type { FieldEvent, FieldState } from './field-state.ts';
import type { HydratedField } from './kind.ts';

/**
 * The event that removes a value refused by a rule (`"refused": "clear"`), if `event` led to one; apply it
 * at once. `evaluation` returns the evaluation after `event`. `rules` are the rules of its findings if a
 * form has added some.
 *
 * @example
 * const state = apply(pass, start(pass), { type: 'leave' });
 * const refusal = refusalAfter(pass, state, { type: 'leave' }, () => evaluate(pass, state));
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
