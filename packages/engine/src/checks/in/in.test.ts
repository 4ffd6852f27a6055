import { expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { apply, keysOf, start } from '../../field/apply.ts';
import { evaluate } from '../../field/evaluation.ts';
import { kinds } from '../../kinds/registry.ts';

/** The verdicts after each key. */
function verdicts(kind: string, entry: object, values: readonly string[], text: string): readonly string[] {
  const document = {
    id: 'f',
    kind,
    label: 'F',
    entry,
    rules: [{ id: 'in', check: { type: 'in', values } }],
  } as FieldDocument;
  const field = compileField(document, { locale: 'en-GB' }, kinds);
  let state = apply(field, start(field), { type: 'focus' });
  return keysOf(text).map((key) => {
    state = apply(field, state, key);
    return evaluate(field, state).findings[field.rules.findIndex(({ id }) => id === 'in')]!.verdict;
  });
}

test.each([
  ['number', {}, ['12', '7'], '012', ['open', 'open', 'pass']],
  ['number', {}, ['12', '7'], '007', ['open', 'open', 'pass']],
  ['number', {}, ['12'], '3', ['fail']],
  ['number', { decimals: { max: 2 } }, ['1.5'], '01.5', ['open', 'open', 'open', 'pass']],
  ['number', { negative: 'minus' }, ['-3'], '-03', ['open', 'open', 'pass']],
  ['currency', { currency: 'EUR', fill: 'right' }, ['1.23'], '123', ['open', 'open', 'pass']],
  ['pattern', { pattern: '<3 digit>' }, ['012'], '012', ['open', 'open', 'pass']],
  ['pattern', { pattern: '<3 digit>' }, ['112'], '0', ['fail']],
] as const)('%s %j in %j, typed %s', (kind, entry, values, text, expected) => {
  expect(verdicts(kind, entry, values, text)).toEqual(expected);
});
