import type { Validator } from '../../rules/checks.ts';
import { passed } from '../../rules/finding.ts';
import { finding, rawOf, shownAs } from '../findings.ts';

/**
 * Whether the raw value is one of a list: code `not-allowed`.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, { in: among });
 */
export const among: Validator<'in'> = (field, body, { values }) => {
  const raw = rawOf(field, body);
  if (values.includes(raw)) return passed;
  const { kind, plan } = field;
  const canBecome = (value: string): boolean => kind.canBecome?.(plan, body, value) ?? value.startsWith(raw);
  const open = kind.hasRoom(plan, body) && values.some(canBecome);
  const shown = values.map((value) => shownAs(field, value)).join(', ');
  return finding(open ? 'open' : 'fail', 'not-allowed', { allowed: shown });
};
