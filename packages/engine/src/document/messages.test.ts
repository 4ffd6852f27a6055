import { expect, test } from 'vitest';
import { apply, start } from '../field/apply.ts';
import { evaluate } from '../field/evaluation.ts';
import { kinds } from '../kinds/registry.ts';
import type { Comparison } from '../rules/comparison.ts';
import { message } from '../rules/message.ts';
import { languages } from '../rules/wording/all.ts';
import { compileField } from './compile-field.ts';
import type { FieldDocument } from './document.ts';

// Every default message in every language, with real data: for a review of all of them at once.
const locales: Readonly<Record<string, string>> = { en: 'en-GB', de: 'de-DE', fr: 'fr-FR', es: 'es-ES', it: 'it-IT', ja: 'ja-JP', pt: 'pt-BR', nl: 'nl-NL', pl: 'pl-PL', sv: 'sv-SE', zh: 'zh-CN', ar: 'ar-EG' }; // biome-ignore format: a table
const other = { en: 'Arrival', de: 'Ankunft', fr: 'Arrivée', es: 'Llegada', it: 'Arrivo', ja: '到着', pt: 'Chegada', nl: 'Aankomst', pl: 'Przyjazd', sv: 'Ankomst', zh: '抵达', ar: 'الوصول' } as Readonly<Record<string, string>>; // biome-ignore format: a table

interface Case {
  readonly name: string;
  readonly kind: string;
  readonly entry?: object;
  readonly check?: object;
  /** Raw value to begin with. */
  readonly raw?: string;
  /** The value of the other field, for comparisons. */
  readonly other?: string;
  /** A code that no text can cause. */
  readonly code?: string;
}

const options = [
  { value: 'a', label: 'A' },
  { value: 'b', label: 'B' },
  { value: 'c', label: 'C' },
];
const pattern = { pattern: '<4 digit>' };
const length = (bounds: object, count: number): Case => ({
  name: `length ${JSON.stringify(bounds)}`,
  kind: 'text',
  check: { type: 'length', ...bounds },
  raw: 'x'.repeat(count),
});
const range = (kind: string, bounds: object, raw: string, entry: object = {}): Case => ({
  name: `${kind} ${JSON.stringify(bounds)}`,
  kind,
  entry,
  check: { type: 'range', ...bounds },
  raw,
});
const dates: readonly [Comparison, string][] = [['same', '2027-02-01'], ['differs', '2027-02-02'], ['after', '2027-02-02'], ['not-before', '2027-02-01'], ['before', '2027-02-02'], ['not-after', '2027-02-03']]; // biome-ignore format: a table
const compared = (op: Comparison, raw: string, days?: number): Case => ({
  name: days === undefined ? op : `${op}, ${days}`,
  kind: 'date',
  check: { type: 'compare', op, field: 'other', ...(days === undefined ? {} : { days }) },
  raw,
  other: '2027-02-02',
});
const phone = (name: string, entry: object, raw: string): Case => ({
  name: `phone, ${name}`,
  kind: 'phone',
  entry: { home: 'GB', ...entry },
  raw,
});
const many = ['GB', 'CH', 'DE', 'AT', 'IT', 'FR', 'ES', 'PT'];
const abroad = '+12125550123';
const required = { type: 'required' };

const cases: readonly Case[] = [
  { name: 'required', kind: 'text', check: required },
  { name: 'required, choice', kind: 'choice', entry: { options }, check: required },
  { name: 'required, choices', kind: 'choices', entry: { options }, check: required },
  { name: 'required, radio buttons', kind: 'yes-no', entry: { draw: 'radio' }, check: required },
  { name: 'required, checkbox', kind: 'yes-no', check: required },
  { name: 'incomplete', kind: 'pattern', entry: pattern, raw: '12' },
  { name: 'incomplete, choices', kind: 'choices', entry: { options, count: { min: 2 } }, raw: 'a' },
  length({ min: 2 }, 1),
  length({ min: 5 }, 1),
  length({ min: 1000 }, 1),
  length({ max: 1 }, 3),
  length({ max: 2 }, 3),
  length({ max: 5 }, 9),
  length({ max: 1000 }, 1001),
  { name: 'no-match', kind: 'text', check: { type: 'matches', pattern: '[a-z]+' }, raw: '1' },
  { name: 'not-allowed', kind: 'text', check: { type: 'in', values: ['a'] }, raw: 'b' },
  range('number', { min: 2 }, '1', { unit: 'guests', singular: 'guest' }),
  range('currency', { min: 20 }, '5', { currency: 'EUR' }),
  range('currency', { max: 1000 }, '1500', { currency: 'EUR' }),
  range('number', { max: 1 }, '2', { unit: 'kilogram' }),
  range('number', { step: 5 }, '7'),
  range('duration', { max: 90 }, '120'),
  { name: 'trivial', kind: 'pin', check: { type: 'not-trivial' }, raw: '1234' },
  { name: 'bad-checksum', kind: 'pattern', entry: pattern, check: { type: 'checksum', scheme: 'luhn' }, raw: '1234' },
  ...dates.map(([op, raw]) => compared(op, raw === '2027-02-02' && op === 'differs' ? raw : raw)),
  { ...compared('above', '1'), kind: 'number', other: '2' },
  { ...compared('below', '3'), kind: 'number', other: '2' },
  compared('at-most-days', '2027-02-12', 1),
  compared('at-most-days', '2027-02-12', 2),
  compared('at-most-days', '2027-02-12', 5),
  compared('at-least-days', '2027-02-02', 1),
  compared('at-least-days', '2027-02-02', 2),
  compared('at-least-days', '2027-02-02', 5),
  compared('at-least-days', '2027-02-02', 1000),
  { name: 'check-broken', kind: 'text', check: { type: 'custom', code: 'export default () => {};' }, code: 'check-broken' },
  { name: 'unreachable', kind: 'text', check: { type: 'remote', ask: '/api/passes' }, code: 'unreachable' },
  ...['2027-02-01', '2027-02-08', '2027-02-11'].flatMap((day) => [
    range('date', { min: day }, '2026-01-01'),
    range('date', { max: day }, '2028-01-01'),
  ]),
  { name: 'no-such-date', kind: 'date', code: 'no-such-date' },
  range('date-time', { min: '2027-02-01T01:00' }, '2026-01-01T10:00'),
  range('date-time', { max: '2027-02-08T13:30' }, '2028-01-01T10:00'),
  range('date', { min: '2027-02' }, '2026-01', { parts: 'month' }),
  range('date', { max: '2027-02' }, '2028-01', { parts: 'month' }),
  { name: 'no-such-date, month', kind: 'date', entry: { parts: 'month' }, code: 'no-such-date' },
  range('time', { min: '01:00' }, '00:30'),
  range('time', { max: '01:00' }, '13:00'),
  { name: 'phone, unknown number', kind: 'phone', entry: { home: 'GB' }, code: 'unknown-number' },
  phone('two regions', { regions: ['GB', 'CH'] }, abroad),
  phone('eight regions', { regions: many }, abroad),
  phone('mobile', { types: ['mobile'] }, '+442079460958'),
  phone('fixed', { types: ['fixed'] }, '+447700900123'),
  phone('mobile or fixed', { types: ['mobile', 'fixed'] }, '+448081570123'),
  phone('mobile, two regions', { types: ['mobile'], regions: ['GB', 'CH'] }, abroad),
  phone('fixed, two regions', { types: ['fixed'], regions: ['GB', 'CH'] }, abroad),
  phone('mobile or fixed, two regions', { types: ['mobile', 'fixed'], regions: ['GB', 'CH'] }, abroad),
]; // biome-ignore format: a table

/** The message a user reads, or the codes of all findings if there is none. */
function messageOf(
  { kind, entry = {}, check, raw = '', other: value, code }: Case,
  language: string,
): string {
  const rules = check ? [{ id: 'rule', check }] : [];
  const document = { id: 'f', kind, label: 'F', entry, rules } as unknown as FieldDocument;
  const field = compileField(document, { locale: locales[language]! }, kinds, languages);
  if (code !== undefined) {
    const rule = field.rules.find(({ words }) => words?.[code] !== undefined);
    return message('F', rule ?? {}, { verdict: 'fail', code, data: {} });
  }
  const filled = apply(field, start(field), { type: 'set', text: raw });
  const others = value === undefined ? {} : { other: { value, label: other[language]!, display: value } };
  const { shown, findings } = evaluate(field, apply(field, filled, { type: 'submit' }), '2027-02-10', {
    counts: true,
    rules: [],
    others,
    holds: () => true,
    isLeft: () => true,
    waits: false,
    letsThrough: false,
  });
  return shown[0]?.message ?? `no message: ${findings.map((one) => one.code || one.verdict).join(', ')}`;
}

/** The words that components draw beside fields, by name. */
function drawnWordsIn(language: string): Readonly<Record<string, string>> {
  const fields: readonly (readonly [kind: string, entry: object])[] = [
    ['text', { conceal: true, max: 20 }],
    ['phone', { home: 'GB' }],
    ['date', {}],
    ['time', { clock: 12, seconds: true }],
  ];
  const all = fields.map(([kind, entry]) => {
    const document = { id: 'f', kind, label: 'F', entry } as FieldDocument;
    return compileField(document, { locale: locales[language]! }, kinds, languages).words ?? {};
  });
  const submit = String(languages[language]!['drawn/submit']);
  return Object.assign({}, ...all, { submit }) as Readonly<Record<string, string>>;
}

test('a field has the words that are drawn beside it, in the language of its messages, and no others', () => {
  const wordsOf = (kind: string, entry: object, set: { locale: string; language?: string }) =>
    compileField({ id: 'f', kind, label: 'F', entry } as FieldDocument, set, kinds, languages).words;
  expect(wordsOf('text', { conceal: true }, { locale: 'de-DE' })).toEqual({
    reveal: 'Anzeigen',
    conceal: 'Verbergen',
  });
  expect(wordsOf('pin', {}, { locale: 'de-DE', language: 'fr' })).toEqual({
    reveal: 'Afficher',
    conceal: 'Masquer',
  });
  expect(wordsOf('text', { max: 9 }, { locale: 'sv-SE' })).toEqual({ left: 'Tecken kvar: {left}' });
  expect(wordsOf('date', { parts: 'month' }, { locale: 'nl-NL' })).toEqual({ month: 'maand', year: 'jaar' });
  expect(wordsOf('text', {}, { locale: 'de-DE' })).toBeUndefined();
  expect(wordsOf('currency', { currency: 'EUR' }, { locale: 'de-DE' })).toBeUndefined();
  // As many parts as the field has: with twenty-four hours there is no half of the day.
  expect(wordsOf('time', {}, { locale: 'de-DE' })).toEqual({ hour: 'Stunde', minute: 'Minute' });
  expect(Object.keys(wordsOf('time', {}, { locale: 'en-US' }) ?? {})).toEqual(['hour', 'minute', 'period']);
  expect(wordsOf('duration', { units: ['h'] }, { locale: 'nl-NL' })).toEqual({ hour: 'uur' });
  // No language of its own: English, as its messages are.
  expect(wordsOf('pin', {}, { locale: 'fi-FI' })).toEqual({ reveal: 'Show', conceal: 'Hide' });
  // Neither has a table of one's own that words messages alone.
  const own = { fi: { required: 'Täytä tämä kenttä.' } };
  const pin = { id: 'f', kind: 'pin', label: 'F', entry: {} } as FieldDocument;
  expect(compileField(pin, { locale: 'fi-FI' }, kinds, own).words).toEqual({
    reveal: 'Show',
    conceal: 'Hide',
  });
});

test('docs/messages.md has every default message in every language', async () => {
  const tags = Object.keys(languages);
  expect(tags).toEqual(Object.keys(locales));
  const said = tags.map((tag) => cases.map((one) => messageOf(one, tag)));
  // Nothing is left open, no placeholder is left, and no sentence is missing.
  expect(said.flat().filter((text) => /^no message|[{}]|undefined|NaN/.test(text))).toEqual([]);
  const sections = tags.map((tag, i) => {
    const name = new Intl.DisplayNames('en-GB', { type: 'language' }).of(tag);
    const rows = [
      ...cases.map(({ name }, row) => `| ${name} | ${said[i]![row]} |`),
      ...Object.entries(drawnWordsIn(tag)).map(
        ([word, text]) => `| word: ${word} | ${text.replace('{left}', '5')} |`,
      ),
    ];
    return [`## ${name} (\`${tag}\`)`, '', '| case | message |', '|---|---|', ...rows, ''].join('\n');
  });
  const head = [
    '# Default messages',
    '',
    'Every message that a field shows without a text of its own, with real data, and the words that components draw beside it. Written by the tests:',
    '`npx vitest run packages/engine/src/document/messages -u`. Review all of it after a change.',
    '',
  ];
  await expect([...head, ...sections].join('\n')).toMatchFileSnapshot('../../../../docs/messages.md');
});

test('every text of every language is a message of a case', () => {
  const used = new Set<string>();
  for (const tag of Object.keys(languages)) {
    const all = [...cases.map((one) => messageOf(one, tag)), ...Object.values(drawnWordsIn(tag))];
    for (const [key, text] of Object.entries(languages[tag]!)) {
      const forms: readonly string[] =
        typeof text === 'string' ? [text] : Object.values(text).filter((form) => form !== text.by);
      const isSeen = forms.some((form) => {
        const parts: readonly string[] = form.split(/\{[\w-]+\}/);
        return all.some((one) => parts.every((part) => one.includes(part)));
      });
      if (!isSeen) used.add(key);
    }
  }
  // Kinds say these themselves, with the text of every field.
  expect([...used]).toEqual([]);
});
