import { type CheckContext, check } from '../rules/checks.ts';
import { type Finding, passed } from '../rules/finding.ts';
import type { HydratedField } from './kind.ts';

/**
 * The finding of one rule about a value, without other fields or answers of servers. `isRead` is false if
 * the field cannot take the value as it is. Throws `RangeError` for an unknown rule.
 *
 * @example
 * const { finding, isRead } = sampleVerdict(pass, 'complete', 'RH-1234');
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
