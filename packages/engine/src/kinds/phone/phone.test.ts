import { expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { apply, keysOf, start } from '../../field/apply.ts';
import { kinds } from '../registry.ts';

const fieldOf = (home: string, more: object = {}) =>
  compileField(
    { id: 'f', kind: 'phone', label: 'F', entry: { home, ...more } } as unknown as FieldDocument,
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

test.each([
  ['RU', '79123456789', '+79123456789'],
  ['RU', '74951234567', '+74951234567'],
  ['GB', '447700900123', '+447700900123'],
])('in a list of regions with %s at home, %s typed without “+” is read as pasted', (home, text, value) => {
  for (const more of [{}, { regions: [home] }, { regions: ['CH', 'DE'] }]) {
    const field = fieldOf(home, more);
    const typed = keysOf(text).reduce((state, key) => apply(field, state, key), start(field));
    const pasted = apply(field, start(field), { type: 'paste', text });
    const valueIn = ({ body }: typeof typed) => field.kind.value(field.plan, body);
    expect([more, valueIn(typed), valueIn(pasted)]).toEqual([more, value, value]);
  }
});

test('a sign the writing does not have next is refused', () => {
  const field = fieldOf('GB');
  const begun = keysOf('07700').reduce((state, key) => apply(field, state, key), start(field));
  expect(apply(field, begun, { type: 'key', text: '-' }).rejected).toBe('not-accepted');
  expect(apply(field, begun, { type: 'key', text: ' ' })).toMatchObject({ rejected: null, body: begun.body });
});

test('the beginning of a number that begins like the calling code stays what it is, pasted or written back', () => {
  const field = fieldOf('NO');
  for (const type of ['paste', 'set'] as const)
    for (const text of ['470 00 00', '4700000'])
      expect(apply(field, start(field), { type, text }).body.content).toBe('4700000');
  // One that can be none in the region is one with its calling code.
  const { body } = apply(field, start(field), { type: 'autofill', text: '4740612345' });
  expect(field.kind.value(field.plan, body)).toBe('+4740612345');
});

test('a number that is whole has room while it takes an extension', () => {
  const field = fieldOf('GS', { extension: true });
  const roomAfter = (text: string): boolean => {
    const { body } = keysOf(text).reduce((state, key) => apply(field, state, key), start(field));
    return field.kind.hasRoom(field.plan, body);
  };
  expect(['77777', '77777x', '77777x1', '77777x1234567'].map(roomAfter)).toEqual([true, true, true, false]);
  const plain = fieldOf('GS');
  const { body } = keysOf('77777').reduce((state, key) => apply(plain, state, key), start(plain));
  expect(plain.kind.hasRoom(plain.plan, body)).toBe(false);
});

test.each([
  ['3ext', ''],
  ['ext 3', ''],
  ['07700 90012345', ''],
  ['07700 900123 or 07700 900124', ''],
  ['07700 900123 ext 5x', ''],
  ['no number', ''],
  ['12', '12'],
  ['call 07700 900123', '07700900123'],
  ['07700 900123 (home)', '07700900123'],
  ['07700 900123 ext 5', '07700900123x5'],
])('%s brought as a whole is taken whole or refused, and what is left out is told', (text, content) => {
  const field = fieldOf('GB', { extension: true });
  const before = keysOf('020').reduce((state, key) => apply(field, state, key), start(field));
  const selected = apply(field, before, { type: 'select', start: 0, end: before.body.display.length });
  for (const [state, type] of [
    [start(field), 'paste'],
    [start(field), 'autofill'],
    [selected, 'paste'],
  ] as const) {
    const { body, rejected } = apply(field, state, { type, text });
    expect([body.content, rejected]).toEqual(
      content ? [content, null] : [state.body.content, 'not-accepted'],
    );
  }
});
