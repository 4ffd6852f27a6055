import { expect, test } from 'vitest';
import { compileField } from '../document/compile-field.ts';
import type { FieldDocument } from '../document/document.ts';
import { kinds } from '../kinds/registry.ts';
import { valueTypesOf } from '../kinds/value-types.ts';
import { tapeIngredientsOf, tapeMakerOf } from './tapes.ts';

/** Characters that the keys of so many tapes type. */
function typedIn(kind: string, entry: object, tapes: number): ReadonlyMap<string, number> {
  const field = compileField(
    { id: 'f', kind, label: 'F', entry } as FieldDocument,
    { locale: 'en-GB' },
    kinds,
  );
  const make = tapeMakerOf(tapeIngredientsOf(field, kinds, '2027-02-10'));
  const counts = new Map<string, number>();
  for (let seed = 0; seed < tapes; seed++)
    for (const action of make(seed))
      if (action.do === 'type') for (const c of action.text) counts.set(c, (counts.get(c) ?? 0) + 1);
  return counts;
}

test.each([
  ['phone', { home: 'GB' }],
  ['pin', { length: 4 }],
  ['one-time-code', { length: 6 }],
  ['number', {}],
  ['currency', { currency: 'EUR' }],
  ['date', {}],
  ['date', { parts: 'month' }],
  ['time', {}],
  ['date-time', {}],
  ['duration', {}],
  ['pattern', { pattern: '<4 digit>' }],
  ['pattern', { pattern: 'RH-<4 digit>-<2 latin upper>' }],
])('random tapes type every digit into %s %j', (kind, entry) => {
  const counts = typedIn(kind, entry, 300);
  for (const digit of '0123456789') expect([digit, (counts.get(digit) ?? 0) > 20]).toEqual([digit, true]);
});

test.each([
  ['<2 latin upper>-<3 "0-9A-F">'],
  ['<2 letter><00..23>'],
  ['<2 "xyz"><2 alnum lower>'],
  ['<01..12>:<00..59> <AM|PM>'],
])('and a character of every class of the pattern %s', (pattern) => {
  const field = compileField(
    { id: 'f', kind: 'pattern', label: 'F', entry: { pattern } },
    { locale: 'en-GB' },
    kinds,
  );
  const { alphabet } = valueTypesOf(field.plan);
  const counts = typedIn('pattern', { pattern }, 300);
  const typed = new Set([...counts.keys()].map((c) => alphabet!.sortOf(c)));
  const missing = alphabet!.characters.filter((c) => !typed.has(alphabet!.sortOf(c)));
  expect(alphabet!.characters.length).toBeGreaterThan(3);
  expect(missing).toEqual([]);
});
