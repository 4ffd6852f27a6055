import { expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { apply, keysOf, start } from '../../field/state.ts';
import { kinds } from '../table.ts';

const fieldOf = (home: string) =>
  compileField(
    { id: 'f', kind: 'phone', label: 'F', entry: { home } } as FieldDocument,
    { locale: 'en-GB' },
    kinds,
  );

test.each([
  ['GB', '07700 900123', '07700 900123'],
  ['US', '(201) 555-0123', '(201) 555-0123'],
  ['FR', '06 39 98 00 10', '06 39 98 00 10'],
  ['GB', '+33 6 39 98 00 10', '+33 6 39 98 00 10'],
])(
  'in %s %s is typed with its blanks and signs, and none of them behind a digit is refused',
  (home, text, display) => {
    const field = fieldOf(home);
    let state = apply(field, start(field), { type: 'focus' });
    const refused: string[] = [];
    for (const key of keysOf(text)) {
      state = apply(field, state, key);
      if (state.rejected && 'text' in key && state.body.content) refused.push(key.text);
    }
    expect([state.body.display, refused]).toEqual([display, []]);
  },
);

test('a sign the writing does not have next is refused', () => {
  const field = fieldOf('GB');
  const begun = keysOf('07700').reduce((state, key) => apply(field, state, key), start(field));
  expect(apply(field, begun, { type: 'key', text: '-' }).rejected).toBe('not-accepted');
  expect(apply(field, begun, { type: 'key', text: ' ' })).toMatchObject({ rejected: null, body: begun.body });
});
