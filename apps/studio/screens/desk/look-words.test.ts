import type { FieldDocument } from '@arbeit/engine/document';
import { expect, test } from 'vitest';
import { lookInWords, withLook } from './look-words.ts';

const field = { id: 'a', kind: 'text', label: 'A', entry: {} } as FieldDocument;

test('a look in words, and as most fields do where there is none', () => {
  expect(lookInWords()).toBe('as most fields do');
  expect(lookInWords({ label: 'above', size: 'medium' })).toBe('as most fields do');
  expect(
    lookInWords({ label: 'inside', size: 'large', width: 12, icon: '<svg/>', before: '№', behind: 'kg' }),
  ).toBe('label inside, moving away, large, 12 characters wide, with an icon, “№” before it, “kg” behind it');
});

test('an option is set and taken back; what is usual is left out, and of no look nothing stays', () => {
  const inside = withLook(field, 'label', 'inside');
  expect(inside).toEqual({ ...field, look: { label: 'inside' } });
  const wide = withLook(inside, 'width', 12);
  expect(wide.look).toEqual({ label: 'inside', width: 12 });
  expect(withLook(wide, 'label', 'above').look).toEqual({ width: 12 });
  expect(withLook(withLook(wide, 'label', 'above'), 'width', undefined)).toEqual(field);
});
