import { expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import { apply, start } from '../../field/apply.ts';
import { evaluate } from '../../field/evaluation.ts';
import { kinds } from '../../kinds/registry.ts';

const field = compileField(
  {
    id: 'pin',
    kind: 'text',
    label: 'PIN',
    entry: {},
    rules: [{ id: 'easy', check: { type: 'not-trivial' } }],
  },
  { locale: 'en-GB' },
  kinds,
);
const verdictOf = (text: string) =>
  evaluate(field, apply(field, start(field), { type: 'paste', text })).findings[
    field.rules.findIndex(({ id }) => id === 'easy')
  ]!.verdict;

test.each([
  '1111', '1234', '4321', '1212', 'abcd', 'dcba', 'qwerty', 'QWERTZ', 'azerty', 'asdf', 'fdsa', 'zxcv', 'ytrewq', 'aabbcc', 'zz11zz', '1122', '112233',
  '123123', 'abab', 'xyxyxy', '2580', '0852', '7890', '0987', '000', '90909090', '12341234',
])('easy to guess: %s', (text) => {
  // A text field has room, so it could still become another: open, which is wrong once it is left.
  expect(verdictOf(text)).not.toBe('pass');
}); // biome-ignore format: a list

test.each([
  '1357', '4815', '4912', 'k7f2', 'aabc', '1221', 'qwermy', 'aabbc', '123124', '90210', '7391', 'ab', '11',
])('not guessed first: %s', (text) => {
  expect(verdictOf(text)).toBe('pass');
}); // biome-ignore format: a list
