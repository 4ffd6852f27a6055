import type { Validator } from '../../rules/checks.ts';
import { passed } from '../../rules/finding.ts';
import { failing, finding, rawOf } from '../findings.ts';
import { rotated, schemes } from './schemes.ts';

/**
 * Whether the check characters are right (Luhn, ISO 7064 MOD 97-10 and MOD 11-2): code `bad-checksum`.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, { checksum });
 */
export const checksum: Validator<'checksum'> = (field, body, { scheme, over, rotate = 0 }) => {
  if (!body.complete) return finding('open', 'bad-checksum');
  const text = (over && field.kind.rawAs?.(field.plan, body, over)) ?? rawOf(field, body);
  return schemes[scheme](rotated(text, rotate)) ? passed : failing(field, body, 'bad-checksum');
};
