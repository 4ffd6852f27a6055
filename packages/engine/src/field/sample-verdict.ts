import { type CheckContext, check } from '../rules/checks.ts';
import { type Finding, passed } from '../rules/finding.ts';
import type { HydratedField } from './kind.ts';

/**
 * What one rule of a field says of a value (raw, or whatever a paste takes), by itself: nothing of other fields or of answers is known. A value
 * that the field cannot take as it stands is told as not read.
 */
export function sampleVerdict(
  field: HydratedField,
  rule: string,
  text: string,
  today = '',
): { readonly finding: Finding; readonly isRead: boolean } {
  const { kind, plan } = field;
  const { body, leftOut, rejected } = kind.parse(plan, text);
  const found = field.rules.find(({ id }) => id === rule);
  const given: CheckContext = { today, others: {}, answers: {} };
  return {
    finding: found ? check(field, body, found.check, given, rule) : passed,
    isRead: text === '' || (!leftOut && !rejected && kind.raw(plan, body) !== ''),
  };
}
