import { expect, test } from 'vitest';
import { shortened } from './shortened.ts';

test.each([
  ['', ''],
  ['x9', 'x9'],
  ['1'.repeat(40), '1'.repeat(40)],
  ['1'.repeat(1200), `${'1'.repeat(40)}… (1,200 characters)`],
  // Counted as people do, and never cut inside of a character.
  ['👍🏽'.repeat(40), '👍🏽'.repeat(40)],
  ['👍🏽'.repeat(41), `${'👍🏽'.repeat(40)}… (41 characters)`],
])('%s', (text, short) => expect(shortened(text)).toBe(short));
