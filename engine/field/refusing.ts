import type { Rule } from '../rules/rule.ts';
import type { OpenField } from './kind.ts';
import type { FieldEvent, FieldState } from './moment.ts';
import type { Reading } from './reading.ts';

/**
 * The event that takes out what a rule with `"refused": "clear"` refuses, if one does after `event`; to be carried out at once. It refuses on
 * leaving, on submitting, by an answer, and while typing where its message is seen at once and the value is whole: never what
 * is being typed, and never what undo has brought back. `rules`: those of the reading's findings, where a form has added some.
 */
export function refusalAfter(
  field: OpenField,
  state: FieldState,
  event: FieldEvent,
  reading: () => Reading,
  rules: readonly Rule[] = field.rules,
): FieldEvent | null {
  if (!state.body.content || !rules.some(({ clears }) => clears)) return null;
  const isEdit = event.type === 'key' || event.type === 'insert' || event.type === 'paste';
  const isMoment = event.type === 'leave' || event.type === 'submit' || event.type === 'answer';
  if (!isEdit && !isMoment && event.type !== 'autofill') return null;
  const { findings, value } = reading();
  for (const [i, rule] of rules.entries()) {
    const finding = findings[i];
    if (!rule.clears || finding?.verdict !== 'fail') continue;
    const isSeen = rule.show === 'at-once' || isMoment;
    if (isSeen && (value !== null || event.type === 'leave' || event.type === 'submit'))
      return { type: 'refuse', refused: { rule: rule.id, finding } };
  }
  return null;
}
