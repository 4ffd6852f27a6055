import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { carryOver, createFormStore } from '@arbeit/dom';
import { compile, inLanguage, type SetDocument } from '@arbeit/engine/document';
import { dehydrate, type Evaluation } from '@arbeit/engine/field';
import { patchBetween, serverForm, translateField, translateForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import { languages } from '@arbeit/engine/rules';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { handOff } from './hand-off.ts';
import { textsIn } from './languages.ts';
import { sourcesFrom } from './sources.ts';

const root = fileURLToPath(new URL('../../../..', import.meta.url));
const demo = JSON.parse(
  readFileSync(new URL('../../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
) as SetDocument;
const set: SetDocument = {
  ...demo,
  texts: {
    de: {
      'fields/mobile/label': 'Mobilnummer',
      'fields/hut/options/windgap': 'Windgap-Hütte',
      'forms/booking/title': 'Buchung',
      'forms/booking/rules/order': 'Die Abreise muss nach der Ankunft sein.',
    },
  },
};
const json = (value: unknown) => JSON.parse(JSON.stringify(value));

describe.each(Object.keys(languages))('in %s', (language) => {
  test('a translated field or form is the one that is compiled in that language', () => {
    const base = compile(set, kinds);
    const wanted = compile(inLanguage({ ...set, language: 'en-GB' }, language), kinds);
    const texts = textsIn(set, language, kinds);
    for (const [i, field] of base.fields.entries()) {
      const own = translateField(field, texts);
      expect(json(dehydrate(own))).toEqual(json(dehydrate(wanted.fields[i]!)));
      expect(own.kind).toBe(field.kind);
    }
    for (const [i, form] of base.forms.entries()) {
      const own = translateForm(form, texts);
      expect([own.title, json(own.rules)]).toEqual([wanted.forms[i]!.title, json(wanted.forms[i]!.rules)]);
      expect(own.fields.map(({ label }) => label)).toEqual(wanted.forms[i]!.fields.map(({ label }) => label));
      // So that half of a value can be kept.
      expect(own.fields.map(({ original }) => original)).toEqual(form.fields);
    }
  });
});

test('values carried over into another language are those that it has when it is filled in anew', () => {
  const texts = textsIn(set, 'de', kinds);
  const form = compile({ ...set, forms: [{ id: 'all', title: 'All', fields: set.fields.map(({ id }) => id) }] }, kinds).forms[0]!;
  const german = translateForm(form, texts);
  for (const { id, kind, plan } of form.fields) {
    const options = (plan as { options?: readonly { value: string }[] }).options;
    const samples = options ? options.map(({ value }) => value) : ['1', '12', '14022027', '07700900123', 'Larch'];
    for (const text of samples) {
      const [from, to, anew] = [createFormStore(form, '2027-02-10'), createFormStore(german, '2027-02-10'), createFormStore(german, '2027-02-10')];
      for (const store of [from, anew]) store.field(id).dispatch({ type: 'set', text });
      carryOver(from, to);
      const seen = ({ display, raw, value }: Evaluation) => [display, raw, value];
      expect([id, kind.control, ...seen(to.evaluation(id))]).toEqual([id, kind.control, ...seen(anew.evaluation(id))]);
    }
  }
}); // biome-ignore format: a claim a line

test('a patch says what differs, and nothing else', () => {
  const data = fc.object({ key: fc.constantFrom('a', 'b', 'c'), maxDepth: 3, withNullPrototype: false, values: [fc.string(), fc.integer(), fc.constant(null)] }); // biome-ignore format: a generator
  fc.assert(
    fc.property(data, data, (one, other) => {
      const patch = patchBetween(one, other);
      if (patch === undefined) expect(one).toEqual(other);
      const field = { id: 'f', ...json({ one }) };
      const texts = { language: 'de', forms: {}, server: { 'not-allowed': '' } };
      const own = translateField(field, { ...texts, fields: patch ? { f: { one: patch } } : {} });
      expect(own).toEqual({ id: 'f', one: other, original: field });
      // What was there is not changed.
      expect(field).toEqual({ id: 'f', one });
    }),
  );
});

test('a server answers in the language it is given', async () => {
  const form = compile(set, kinds).forms[0]!;
  const texts = textsIn(set, 'de', kinds);
  const { check } = serverForm(form);
  const answer = await check(
    { hut: 'nowhere', arrival: '14022027', departure: '13022027' },
    { today: '2027-02-10', texts },
  );
  const said = Object.fromEntries(
    (answer.ok ? [] : answer.findings).map(({ field, message }) => [field, message]),
  );
  expect(said).toMatchObject({
    departure: 'Die Abreise muss nach der Ankunft sein.',
    hut: languages.de!['not-allowed'],
    deposit: languages.de!.required,
  });
});

test('a hand-off has a module per language, and what a page needs to change', async () => {
  const files = await handOff({ set, languages: ['fr', 'de', 'de'], sources: sourcesFrom(root) });
  expect([...files.keys()].filter((path) => path.startsWith('languages'))).toEqual([
    'languages.d.ts', 'languages.js', 'languages/de.d.ts', 'languages/de.js', 'languages/fr.d.ts', 'languages/fr.js',
  ]); // biome-ignore format: a list
  expect(files.get('languages/de.js')).toContain('Windgap-Hütte');
  // The texts alone: no pattern, no plan.
  expect(files.get('languages/de.js')).not.toContain('automaton');
  expect(files.get('README.md')).toContain('Beside the language of the set there are');
  await expect(handOff({ set, languages: ['deutsch!'], sources: sourcesFrom(root) })).rejects.toThrow(
    'deutsch! is not a language tag (BCP 47).',
  );
});
