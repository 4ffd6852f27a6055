import type { FieldDocument } from '@arbeit/engine/document';
import { expect, test } from 'vitest';
import { appearanceInWords, withAppearance } from './appearance-words.ts';

const field = { id: 'a', kind: 'text', label: 'A', entry: {} } as FieldDocument;

test('a look in words, and as most fields do where there is none', () => {
  expect(appearanceInWords()).toBe('default');
  expect(appearanceInWords({ label: 'above', size: 'medium' })).toBe('default');
  expect(
    appearanceInWords({
      label: 'inside',
      size: 'large',
      width: 12,
      icon: '<svg/>',
      before: '№',
      behind: 'kg',
    }),
  ).toBe('label floating, large, width 12 characters, icon, prefix “№”, suffix “kg”');
});

test('an option is set and taken back; what is usual is left out, and of no look nothing stays', () => {
  const inside = withAppearance(field, 'label', 'inside');
  expect(inside).toEqual({ ...field, look: { label: 'inside' } });
  const wide = withAppearance(inside, 'width', 12);
  expect(wide.look).toEqual({ label: 'inside', width: 12 });
  expect(withAppearance(wide, 'label', 'above').look).toEqual({ width: 12 });
  expect(withAppearance(withAppearance(wide, 'label', 'above'), 'width', undefined)).toEqual(field);
});
