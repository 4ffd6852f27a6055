import type { Validator } from '../../rules/checks.ts';
import { passed } from '../../rules/finding.ts';
import { saidOf } from '../../rules/said.ts';
import { failing, rawOf } from '../findings.ts';

/**
 * Whether the raw value is hard to guess, unlike 1111, 1234, 1212, 1122 or qwerty: code `trivial`.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, { 'not-trivial': notTrivial });
 */
export const notTrivial: Validator<'not-trivial'> = (field, body) =>
  body.complete && isTrivial(rawOf(field, body))
    ? failing(field, body, 'trivial', { value: saidOf(field, body) })
    : passed;

/** Rows of keyboards in the three common layouts, and the middle of a number pad. */
const rows =
  'qwertyuiop qwertzuiop azertyuiop asdfghjkl qsdfghjklm zxcvbnm yxcvbnm wxcvbn 2580 1234567890 01234567890';

/**
 * Whether a text is guessed first: a run of characters up or down, also along a row of a keyboard; a part
 * repeated; each character twice.
 */
function isTrivial(given: string): boolean {
  const text = given.toLowerCase();
  const codes = Array.from(text, (c) => c.codePointAt(0) ?? 0);
  const { length } = codes;
  if (length < 3) return false;
  const [first = 0, second = 0] = codes;
  const step = second - first;
  const isRun =
    Math.abs(step) <= 1 && codes.every((code, i) => i === 0 || code - (codes[i - 1] ?? 0) === step);
  const isRow = rows.includes(text) || rows.includes([...text].reverse().join(''));
  const isTwice = length > 3 && length % 2 === 0 && codes.every((code, i) => code === codes[i - (i % 2)]);
  const isRepeated = (part: number): boolean =>
    length % part === 0 && codes.every((code, i) => code === codes[i % part]);
  let part = length > 3 ? length >> 1 : 0;
  while (part > 1 && !isRepeated(part)) part--;
  return isRun || isRow || isTwice || part > 1;
}
