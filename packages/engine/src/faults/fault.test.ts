import { expect, test } from 'vitest';
import { nearest } from './fault.ts';

test.each([
  ['valeu', 'value'],
  ['u', 'up'],
  ['§', undefined],
  ['xy', undefined],
  ['dsplay', 'display'],
  ['REQUIRED', 'required'],
  ['z'.repeat(41), undefined],
])('of “%s” the nearest is %s', (word, found) => {
  expect(nearest(word, ['up', 'value', 'display', 'required'])).toBe(found);
});
