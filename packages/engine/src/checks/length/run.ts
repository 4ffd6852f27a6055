import type { Validator } from '../../rules/checks.ts';
import { passed } from '../../rules/finding.ts';
import { countOf } from '../../values/long-text.ts';
import { failing, finding, rawOf } from '../findings.ts';

/**
 * Whether the raw value has the right number of characters (grapheme clusters): codes `too-short`,
 * `too-long`.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, { length });
 */
export const length: Validator<'length'> = (field, body, { min = 0, max = Number.POSITIVE_INFINITY }) => {
  const count = countOf(rawOf(field, body));
  const data = { min: String(min), max: String(max), length: String(count) };
  if (count > max) return finding('fail', 'too-long', data);
  return count >= min ? passed : failing(field, body, 'too-short', data);
};
