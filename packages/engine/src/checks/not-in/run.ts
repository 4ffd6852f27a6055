import type { Validator } from '../../rules/checks.ts';
import { passed } from '../../rules/finding.ts';
import { saidOf } from '../../rules/said.ts';
import { failing, rawOf } from '../findings.ts';

/**
 * Whether the raw value is not in a list: code `not-allowed`.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, { 'not-in': notAmong });
 */
export const notAmong: Validator<'not-in'> = (field, body, { values }) =>
  values.includes(rawOf(field, body))
    ? failing(field, body, 'not-allowed', { value: saidOf(field, body) })
    : passed;
