import { expect, test } from 'vitest';
import { historyKey } from './history-keys.ts';

const pressed = { ctrlKey: true, metaKey: false, shiftKey: false };

test.each([
  ['z', 'KeyZ', {}, 'undo'],
  ['Z', 'KeyZ', { shiftKey: true }, 'redo'],
  ['y', 'KeyY', {}, 'redo'],
  // Layouts without Latin letters: Russian, Greek, Hebrew, Arabic.
  ['я', 'KeyZ', {}, 'undo'],
  ['ζ', 'KeyZ', {}, 'undo'],
  ['ז', 'KeyZ', { shiftKey: true }, 'redo'],
  ['غ', 'KeyY', {}, 'redo'],
  // Latin letters elsewhere: German has Z and Y the other way round, French has W at the place of Z.
  ['z', 'KeyY', {}, 'undo'],
  ['w', 'KeyZ', {}, undefined],
  ['z', 'KeyZ', { ctrlKey: false }, undefined],
  ['z', 'KeyZ', { ctrlKey: false, metaKey: true }, 'undo'],
] as const)('%s at %s with %j is %s', (key, code, more, meant) => {
  expect(historyKey({ key, code, ...pressed, ...more })).toBe(meant);
});
