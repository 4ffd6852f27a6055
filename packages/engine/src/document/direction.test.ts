import { expect, test } from 'vitest';
import { kinds } from '../kinds/registry.ts';
import { compileField } from './compile-field.ts';
import type { FieldDocument } from './document.ts';

/** The least entry of each kind. */
const entries: Readonly<Record<string, object>> = {
  pattern: { pattern: '(<3 digit>) <3 digit>' },
  currency: { currency: 'EUR' },
  phone: { home: 'GB' },
  pin: {},
  choice: { options: [{ value: 'a', label: 'A' }, { value: 'b', label: 'B' }] },
  choices: { options: [{ value: 'a', label: 'A' }, { value: 'b', label: 'B' }] },
  custom: { code: 'export function shape(content) { return content; }' },
}; // biome-ignore format: a table

const directionIn = (kind: string, locale: string): unknown => {
  const field = { id: 'a', kind, label: 'A', entry: entries[kind] ?? {} } as FieldDocument;
  return compileField(field, { locale }, kinds).html.dir;
};

test.each([
  ['pattern', 'ltr', 'ltr'],
  ['phone', 'ltr', 'ltr'],
  ['pin', 'ltr', 'ltr'],
  ['one-time-code', 'ltr', 'ltr'],
  ['custom', 'ltr', 'ltr'],
  ['number', 'ltr', undefined],
  ['currency', 'ltr', undefined],
  ['percent', 'ltr', undefined],
  ['date', 'ltr', undefined],
  ['date-time', 'ltr', undefined],
  ['time', 'ltr', undefined],
  ['duration', 'ltr', undefined],
  ['text', undefined, undefined],
  ['choice', undefined, undefined],
  ['choices', undefined, undefined],
  ['yes-no', undefined, undefined],
])('%s: its direction in left-to-right and in right-to-left locales', (kind, german, arabic) => {
  expect([directionIn(kind, 'de-DE'), directionIn(kind, 'ar-EG'), directionIn(kind, 'he-IL')]).toEqual([
    german,
    arabic,
    arabic,
  ]);
});

test('every kind is in the table above, and a document can set another direction', () => {
  expect(Object.keys(kinds)).toHaveLength(16);
  const field = { id: 'a', kind: 'pattern', label: 'A', entry: entries.pattern, html: { dir: 'auto' } };
  expect(compileField(field as FieldDocument, { locale: 'en-GB' }, kinds).html.dir).toBe('auto');
});
