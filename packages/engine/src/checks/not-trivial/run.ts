import type { Validator } from '../../rules/checks.ts';
import { passed } from '../../rules/finding.ts';
import { failing, rawOf } from '../findings.ts';

/**
 * Whether the raw value is hard to guess, unlike 1111, 1234 or 1212: code `trivial`.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, { 'not-trivial': notTrivial });
 */
export const notTrivial: Validator<'not-trivial'> = (field, body) =>
  body.complete && isTrivial(rawOf(field, body))
    ? failing(field, body, 'trivial', { value: body.display })
    : passed;

/** Whether a text is guessed first: one character repeated, a run up or down, a pair repeated. */
function isTrivial(text: string): boolean {
  const codes = Array.from(text, (c) => c.codePointAt(0) ?? 0);
  if (codes.length < 3) return false;
  const steps = codes.slice(1).map((code, i) => code - (codes[i] ?? 0));
  const [first = 0] = steps;
  const isRun = Math.abs(first) <= 1 && steps.every((step) => step === first);
  const isPair = codes.length >= 4 && codes.every((code, i) => code === codes[i % 2]);
  return isRun || isPair;
}
