import { describe, expect, test } from 'vitest';
import { read } from '../field/reading.ts';
import { apply, start } from '../field/state.ts';
import type { KindEntry } from '../kinds/definition.ts';
import { kinds } from '../kinds/table.ts';
import { english } from '../rules/wording/english.ts';
import { german } from '../rules/wording/german.ts';
import type { Languages } from '../rules/wording.ts';
import { compileField } from './compile-field.ts';
import type { FieldDocument } from './document.ts';
import { readDocument } from './read-document.ts';

const dataOf = (text: string): string[] => (text.match(/\{[\w-]+\}/g) ?? []).sort();
const wordings: [string, Languages][] = [
  ['every field', { en: english, de: german }],
  ...Object.entries(kinds as Record<string, KindEntry>).flatMap(
    ([name, { define }]): [string, Languages][] => (define.wording ? [[name, define.wording]] : []),
  ),
];

test.each(wordings)(
  '%s: English and German word the same codes with the same data',
  (_, { en = {}, de = {} }) => {
    expect(Object.keys(de)).toEqual(Object.keys(en));
    for (const [code, text] of Object.entries(en))
      expect([code, dataOf(de[code]!)]).toEqual([code, dataOf(text)]);
  },
);

const field = (
  kind: string,
  entry: object,
  rules: readonly object[],
  locale = 'en-GB',
  languages?: Languages,
) => compileField({ id: 'f', kind, label: 'F', entry, rules } as FieldDocument, { locale }, kinds, languages);
const said = (compiled: ReturnType<typeof field>, text: string): string | undefined => {
  const set = apply(compiled, start(compiled), { type: 'set', text });
  return read(compiled, apply(compiled, set, { type: 'submit' })).shown[0]?.message;
};

describe('messages', () => {
  const required = { id: 'required', check: { type: 'required' } };
  const least = { id: 'least', check: { type: 'range', min: 20 } };

  test('are in the language of the field, and in English where nobody worded that', () => {
    const entry = { currency: 'EUR' };
    expect(said(field('currency', entry, [required], 'de-CH'), '')).toBe('Bitte ausfüllen.');
    expect(said(field('currency', entry, [least], 'de-DE'), '5')).toMatch(
      /^Mindestens 20,00\s€ wird gebraucht\.$/u,
    );
    expect(said(field('currency', entry, [required], 'fi-FI'), '')).toBe('Please fill this in.');
    expect(said(field('date', {}, [], 'de-DE'), '')).toBeUndefined();
    const swiss = { home: 'CH', regions: ['CH', 'DE'] };
    expect(said(field('phone', swiss, [], 'de-CH'), '+33612345678')).toBe(
      'Hier geht nur eine Nummer aus: Schweiz und Deutschland.',
    );
  });

  test('come in a language that is handed in, and a page carries the texts of its own codes alone', () => {
    const languages = { nl: { required: 'Vul dit in.' } };
    const compiled = field('text', {}, [required], 'nl-NL', languages);
    expect(said(compiled, '')).toBe('Vul dit in.');
    expect(compiled.rules.map(({ words }) => words)).toEqual([{ required: 'Vul dit in.' }]);
    // A code nobody worded stands for itself.
    expect(field('currency', { currency: 'EUR' }, [least], 'nl-NL', languages).rules[1]?.words).toEqual({
      'below-min': 'below-min',
      'above-max': 'above-max',
      'off-step': 'off-step',
    });
  });

  test('are the kind’s own for its own findings, and of every field for a list of values', () => {
    const allowed = { id: 'in', check: { type: 'in', values: ['+447700900123'] } };
    const [own, list] = field('phone', { home: 'GB', types: ['mobile'] }, [allowed]).rules;
    expect(own?.words?.['not-allowed']).toBe('Only {wanted} can be used here.');
    expect(list?.words).toEqual({ 'not-allowed': 'This value cannot be used here.' });
  });

  test('may name the data of the kind’s own findings, and no other', () => {
    const document = (kind: string, entry: object, say: string) => ({
      arbeit: 1,
      title: 'T',
      locale: 'en-GB',
      fields: [{ id: 'f', kind, label: 'F', entry, rules: [{ id: 'c', check: { type: 'complete' }, say }] }],
    });
    expect(readDocument(document('phone', { home: 'GB' }, 'Only {wanted}.'), kinds).ok).toBe(true);
    expect(
      readDocument(document('choices', { options: [{ value: 'a', label: 'A' }] }, 'At least {min}.'), kinds)
        .ok,
    ).toBe(true);
    expect(readDocument(document('date', {}, 'Only {wanted}.'), kinds).ok).toBe(false);
  });
});
