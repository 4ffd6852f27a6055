import { describe, expect, test } from 'vitest';
import { apply, start } from '../field/apply.ts';
import { evaluate } from '../field/evaluation.ts';
import { kinds } from '../kinds/registry.ts';
import { languages } from '../rules/wording/all.ts';
import { type Languages, type Plural, pluralCategories } from '../rules/wording.ts';
import { compileField } from './compile-field.ts';
import type { FieldDocument } from './document.ts';
import { readDocument } from './read-document.ts';

const dataOf = (text: string): string[] => [...new Set(text.match(/\{[\w-]+\}/g))].sort();
const formsOf = (text: string | Plural): string[] =>
  typeof text === 'string' ? [text] : pluralCategories.flatMap((form) => text[form] ?? []);

test.each(Object.entries(languages))(
  '%s words every code, with the data it has in English',
  (tag, wording) => {
    expect(Object.keys(wording)).toEqual(Object.keys(languages.en!));
    for (const [code, text] of Object.entries(wording)) {
      const [wanted] = formsOf(languages.en![code]!);
      for (const form of formsOf(text)) expect([code, dataOf(form)]).toEqual([code, dataOf(wanted!)]);
      // No form the language does not have, and none it needs is missing.
      if (typeof text === 'object') {
        const own = new Intl.PluralRules(tag).resolvedOptions().pluralCategories;
        const given = pluralCategories.filter((form) => text[form] !== undefined);
        // French, Spanish, Italian and Portuguese have "many" for millions only.
        const isRare = ['fr', 'es', 'it', 'pt'].includes(tag);
        expect([code, given]).toEqual([
          code,
          pluralCategories.filter((form) => own.includes(form) && !(isRare && form === 'many')),
        ]);
      }
    }
  },
);

const field = (
  kind: string,
  entry: object,
  rules: readonly object[],
  locale = 'en-GB',
  own: Languages = languages,
) => compileField({ id: 'f', kind, label: 'F', entry, rules } as FieldDocument, { locale }, kinds, own);
const said = (compiled: ReturnType<typeof field>, text: string): string | undefined => {
  const set = apply(compiled, start(compiled), { type: 'set', text });
  return evaluate(compiled, apply(compiled, set, { type: 'submit' })).shown[0]?.message;
};

describe('messages', () => {
  const required = { id: 'required', check: { type: 'required' } };
  const least = { id: 'least', check: { type: 'range', min: 20 } };

  test('are in the language of the field, and in English where nobody worded that', () => {
    const entry = { currency: 'EUR' };
    expect(said(field('currency', entry, [required], 'de-CH'), '')).toBe('Bitte füllen Sie dieses Feld aus.');
    expect(said(field('currency', entry, [least], 'de-DE'), '5')).toMatch(
      /^Der Wert muss mindestens 20,00\s€ betragen\.$/u,
    );
    expect(said(field('currency', entry, [required], 'fi-FI'), '')).toBe('Please fill in this field.');
    expect(said(field('date', {}, [], 'de-DE'), '')).toBeUndefined();
    const swiss = { home: 'CH', regions: ['CH', 'DE'] };
    expect(said(field('phone', swiss, [], 'de-CH'), '+33612345678')).toBe(
      'Hier sind nur Nummern aus folgenden Ländern möglich: Schweiz und Deutschland.',
    );
  });

  test('come in a language that is handed in, and a page carries the texts of its own codes alone', () => {
    const dutch = { nl: { required: 'Vul dit in.' } };
    const compiled = field('text', {}, [required], 'nl-NL', dutch);
    expect(said(compiled, '')).toBe('Vul dit in.');
    expect(compiled.rules.map(({ words }) => words)).toEqual([{ required: 'Vul dit in.' }]);
    // A code nobody worded stands for itself.
    expect(field('currency', { currency: 'EUR' }, [least], 'nl-NL', dutch).rules[1]?.words).toEqual({
      'below-min': 'below-min',
      'above-max': 'above-max',
      'off-step': 'off-step',
    });
  });

  test('are the kind’s own for its own findings, and of every field for a list of values', () => {
    const allowed = { id: 'in', check: { type: 'in', values: ['+447700900123'] } };
    const [own, list] = field('phone', { home: 'GB', types: ['mobile'] }, [allowed]).rules;
    expect(own?.words?.['not-allowed']).toBe('Enter a mobile number.');
    expect(list?.words).toEqual({ 'not-allowed': 'This value cannot be used here.' });
  });

  test('have a form for each number, chosen by the language', () => {
    const length = (min: number, say?: object) => [
      { id: 'l', check: { type: 'length', min }, ...(say ? { say } : {}) },
    ];
    const at = (locale: string, min: number, say?: object) =>
      said(field('text', {}, length(min, say), locale), 'é'.repeat(min - 1) || ' ');
    expect(at('en-GB', 2)).toBe('Enter at least 2 characters.');
    expect(at('fr-FR', 2)).toBe('Saisissez au moins 2 caractères.');
    const say = { by: 'min', one: 'one {min}', few: 'few {min}', other: 'other {min}' };
    expect([2, 5, 22].map((min) => at('pl-PL', min, say))).toEqual(['few 2', 'other 5', 'few 22']);
    expect(
      [1, 2].map(
        (min) =>
          field('text', {}, length(min), 'de-DE').rules.find(({ id }) => id === 'l')?.words?.['too-short'],
      ),
    ).toEqual(['Bitte mindestens 1 Zeichen eingeben.', 'Bitte mindestens 2 Zeichen eingeben.']);
  });

  test('are in the language of the field or the set, and numbers in its format locale', () => {
    const rules = [{ id: 'least', check: { type: 'range', min: 1000 } }];
    const amount = { id: 'f', kind: 'number', label: 'F', entry: {}, rules } as FieldDocument;
    const inBoth = (set: object, own: object): string | undefined =>
      said(compileField({ ...amount, ...own }, { locale: 'de-DE', ...set }, kinds, languages), '5');
    expect(inBoth({}, {})).toBe('Der Wert muss mindestens 1.000 betragen.');
    expect(inBoth({ language: 'en' }, {})).toBe('Enter 1.000 or more.');
    expect(inBoth({ language: 'en' }, { locale: 'fr-CH' })).toBe('Enter 1\u202f000 or more.');
    expect(inBoth({ language: 'en' }, { language: 'sv' })).toBe('Lägsta värde: 1.000.');
    expect(inBoth({}, { locale: 'en-GB' })).toBe('Enter 1,000 or more.');
  });

  test('may name the data of the kind’s own findings, and no other', () => {
    const document = (kind: string, entry: object, say: string) => ({
      arbeit: 2,
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
