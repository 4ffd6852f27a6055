import { readDocument, type SetDocument, textsOf, withTranslation } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import demo from '../../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { takeTexts, textsAsCsv, textsAsJson } from './files.ts';

const bare = demo as unknown as SetDocument;
const { texts: _, ...rest } = bare;
const set: SetDocument = { ...rest, texts: { 'de-DE': {}, fr: {} } };
const keys = textsOf(set).map(({ key }) => key);
const words = fc.oneof(
  fc.string({ minLength: 1 }).filter((text) => text.trim() !== '' && !text.startsWith('{"')),
  fc.constantFrom('a "quoted", text', 'two\nlines', ' =1+1', '{min}', 'ö, ü', '{"by":'),
  fc.constant({ by: 'min', one: 'one', other: 'other' } as const),
);
const translated = fc
  .array(fc.tuple(fc.constantFrom('de-DE', 'fr'), fc.constantFrom(...keys), words), { maxLength: 12 })
  .map((all) => all.reduce((now, [language, key, text]) => withTranslation(now, language, key, text), set));

test('what is written, as CSV or as JSON, is read again as it was', () => {
  fc.assert(
    fc.property(translated, (full) => {
      for (const file of [textsAsCsv(full), textsAsJson(full)]) {
        const taken = takeTexts(set, file);
        expect(taken.problems).toEqual([]);
        expect(taken.set.texts).toEqual(full.texts);
        expect(takeTexts(full, file)).toEqual({ set: full, changed: 0, problems: [] });
      }
    }),
    { numRuns: 200 },
  );
});

test('a table from elsewhere: with a byte order mark, other line ends, columns in another order; empty cells change nothing', () => {
  const file =
    '\ufeffname,fr,en-GB\nfields/mobile/label,"Numéro, mobile",\nfields/email/label,,Your e-mail\n';
  const { set: next, changed, problems } = takeTexts(set, file);
  expect([changed, problems]).toEqual([2, []]);
  expect(next.texts?.fr).toEqual({ 'fields/mobile/label': 'Numéro, mobile' });
  expect(next.fields.find(({ id }) => id === 'email')?.label).toBe('Your e-mail');
  expect(readDocument(next, kinds).ok).toBe(true);
});

test.each([
  ['', /first line names the columns/],
  ['label,de\nx,y', /first line names the columns/],
  ['name,de\n"open', /cannot be read/],
  ['{"de": ', /Not valid JSON/],
])('%j is refused in words', (file, problem) => {
  const taken = takeTexts(set, file);
  expect(taken.set).toBe(set);
  expect(taken.problems).toEqual([expect.stringMatching(problem)]);
});

test('what nothing here is called, and languages that are none, are told and left out', () => {
  const { changed, problems } = takeTexts(
    set,
    'name,de,not a tag\nfields/gone/label,Weg,\nfields/mobile/label,Mobil,x\n',
  );
  expect(changed).toBe(1);
  expect(problems).toEqual([
    'Line 2: unknown key “fields/gone/label”.',
    '“not a tag” is not a valid language tag (BCP 47).',
  ]);
});
