import { expect, test } from 'vitest';
import { problemWithCharacters } from './classes.ts';

test.each([
  ['0-9A-F', null],
  ['-+', null],
  ['', 'Empty character class. Example: "0-9A-F".'],
  ['z-a', 'The range z-a is reversed. Write a-z.'],
  ['e\u0301', '"e\u0301" consists of several code points and cannot be used in a character class.'],
])('characters of a class: %j', (text, problem) => {
  expect(problemWithCharacters(text)).toBe(problem);
});
