import { expect, test } from 'vitest';
import { compileField } from '../document/compile-field.ts';
import type { FieldDocument } from '../document/document.ts';
import { kinds } from '../kinds/registry.ts';
import { apply, keysOf, start } from './apply.ts';

test('a key that is refused in a resting text leaves the text and its selection as they were', () => {
  // Resting it has a zero in front that it does not have while it is typed into, so an offset between two
  // characters of one view is inside a character of the other.
  const entry = { decimals: { min: 0, max: 2 }, unit: 'kilogram' };
  const definition = { id: 'f', kind: 'number', label: 'F', entry } as FieldDocument;
  const field = compileField(definition, { locale: 'hi-IN' }, kinds);
  const focused = apply(field, start(field), { type: 'focus' });
  const typed = keysOf('.00').reduce((state, key) => apply(field, state, key), focused);
  const rested = apply(field, typed, { type: 'leave' });
  expect(rested.body.display).toMatch(/^0\.00/);
  const selected = apply(field, rested, { type: 'select', start: 3, end: 6 });
  const after = apply(field, selected, { type: 'key', text: '0' });
  expect(after.rejected).toBe('too-many-decimals');
  expect([after.body.display, after.start, after.end]).toEqual([
    selected.body.display,
    selected.start,
    selected.end,
  ]);
});
