import type { Validator } from '../../rules/checks.ts';
import { passed } from '../../rules/finding.ts';
import { failing, rawOf } from '../findings.ts';

/** Whether the raw value is none of a list: code `not-allowed`. */
export const notAmong: Validator<'not-in'> = (field, body, { values }) =>
  values.includes(rawOf(field, body)) ? failing(field, body, 'not-allowed', { value: body.display }) : passed;
