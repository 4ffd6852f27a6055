import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { kinds } from '../kinds/registry.ts';
import { compile } from './compile.ts';
import type { CheckDocument, SetDocument } from './document.ts';
import { readDocument } from './read-document.ts';
import { dataOfMessage } from './read-rules.ts';
import {
  inLanguage,
  languagesOf,
  missingIn,
  textsOf,
  unusedIn,
  withTextAt,
  withTranslation,
} from './texts.ts';

const demo = JSON.parse(
  readFileSync(new URL('../../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
) as SetDocument;

test('every text of a set has one name, and said otherwise by it it is said otherwise there alone', () => {
  const texts = textsOf(demo);
  expect(new Set(texts.map(({ key }) => key)).size).toBe(texts.length);
  for (const { key } of texts) {
    const next = withTextAt(demo, key, 'Said otherwise');
    const changed = textsOf(next).flatMap(({ text }, i) =>
      text === texts[i]?.text ? [] : [[texts[i]?.key, text]],
    );
    expect(changed).toEqual([[key, 'Said otherwise']]);
    expect(readDocument(next, kinds).ok).toBe(true);
  }
});

test('what a language lacks and what nothing reads is told', () => {
  const set = {
    ...demo,
    texts: { de: { 'fields/mobile/label': 'Mobilnummer', 'fields/gone/label': 'Weg' } },
  };
  expect(languagesOf(set)).toEqual(['de']);
  expect(unusedIn(set, 'de')).toEqual(['fields/gone/label']);
  const missing = missingIn(set, 'de').map(({ key }) => key);
  expect(missing).not.toContain('fields/mobile/label');
  expect(missing).toContain('fields/mobile/hint');
  // A rule that says what every field says lacks nothing.
  expect(missing).not.toContain('fields/deposit/rules/most');
  expect(unusedIn(withTranslation(set, 'de', 'fields/gone/label', undefined), 'de')).toEqual([]);
});

test('a section keeps what it is called elsewhere, wherever it stands and whatever it is called', () => {
  const key = (title: string) => `forms/booking/sections/${title}`;
  const set = withTranslation(demo, 'de-DE', key('When'), 'Wann');
  const titles = (one: SetDocument) =>
    inLanguage(one, 'de-DE').forms![0]!.sections!.map(({ title }) => title);
  expect(titles(set)).toEqual(['Who is coming', 'Wann', 'At the hut']);
  const [booking, change] = set.forms!;
  const turned = { ...set, forms: [{ ...booking!, sections: booking!.sections!.toReversed() }, change!] };
  expect(titles(turned)).toEqual(['At the hut', 'Wann', 'Who is coming']);
  expect(titles(withTextAt(set, key('When'), 'From/to'))).toEqual(['Who is coming', 'Wann', 'At the hut']);
});

test('in another language its texts stand in place of the set’s own, and the rest is said as that language says it', () => {
  const set = withTranslation(
    withTranslation(demo, 'de-DE', 'fields/mobile/label', 'Mobilnummer des Gastes'),
    'de-DE',
    'forms/booking/rules/order',
    'Die Abreise liegt nach der Ankunft.',
  );
  expect(readDocument(set, kinds).ok).toBe(true);
  const german = compile(inLanguage(set, 'de-DE'), kinds);
  const field = (id: string) => german.fields.find((one) => one.id === id)!;
  expect([field('mobile').label, field('email').label, field('mobile').locale]).toEqual([
    'Mobilnummer des Gastes',
    'E-mail',
    'de-DE',
  ]);
  expect(field('deposit').rules[0]?.words?.required).toBe('Bitte füllen Sie dieses Feld aus.');
  expect(german.forms[0]?.rulesAt.get('departure')?.[0]?.say).toBe('Die Abreise liegt nach der Ankunft.');
  expect(inLanguage(set, 'en-GB')).toBe(set);
});

test('a message is offered the placeholders that its check has values for', () => {
  const named = (kind: keyof typeof kinds, check: object) =>
    dataOfMessage(kinds[kind]!.define, check as CheckDocument);
  expect(named('text', { type: 'length', min: 2 })).toEqual(['min', 'length', 'label']);
  expect(named('currency', { type: 'range', max: '5' })).toEqual(['max', 'label']);
  expect(named('date', { type: 'compare', op: 'after', field: 'a' })).toEqual([
    'value',
    'other',
    'other-label',
    'label',
  ]);
  expect(named('date', { type: 'compare', op: 'at-most-days', field: 'a', days: 3 })).toContain('days');
});
