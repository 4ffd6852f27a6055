import { readFileSync } from 'node:fs';
import { evaluateOn } from '@arbeit/dom';
import { compileField, type SetDocument } from '@arbeit/engine/document';
import { apply, type HydratedField, start } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { sqlDomains, sqlExpression } from '@arbeit/handoff/emit';
import fc from 'fast-check';
import { Client } from 'pg';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { testPostgres } from './test-postgres.fixture.ts';
import '../../../scripts/seed.ts';

/** The domains of a hand-off in a real PostgreSQL accept what a field can have, and list what else. */
const values = Number(process.env.ARBEIT_SQL_VALUES ?? 2000);
const today = '2027-02-10';
const demo = JSON.parse(
  readFileSync(new URL('../demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
) as SetDocument;

/** Fields whose rules a domain can express. */
const sayable = {
  arbeit: 2,
  title: 'Sayable',
  locale: 'en-GB',
  fields: [
    { id: 's-pass', kind: 'pattern', label: 'Pass', entry: { pattern: '<2 latin upper>-<4 digit>', raw: 'text' }, rules: [{ id: 'gone', check: { type: 'not-in', values: ['RH-0000', 'AB-1234'] } }] },
    { id: 's-hour', kind: 'pattern', label: 'Hour', entry: { pattern: '<00..23><00..59>' }, rules: [{ id: 'even', check: { type: 'matches', pattern: '\\d{3}[02468]' } }] },
    { id: 's-pin', kind: 'pin', label: 'PIN', entry: { length: 4 }, rules: [{ id: 'few', check: { type: 'in', values: ['1357', '2468'] } }] },
    { id: 's-sum', kind: 'number', label: 'Sum', entry: { decimals: { max: 2 }, negative: 'minus' }, rules: [{ id: 'most', check: { type: 'range', min: '-5', max: '99.5', step: '0.5' } }] },
    { id: 's-day', kind: 'date', label: 'Day', entry: {}, rules: [{ id: 'span', check: { type: 'range', min: '2027-02-01', max: '2028-02-29' } }] },
    { id: 's-month', kind: 'date', label: 'Month', entry: { parts: 'month' }, rules: [{ id: 'span', check: { type: 'range', min: '2027-02' } }] },
    { id: 's-heard', kind: 'choice', label: 'Heard', entry: { options: ['by phone', 'phone', 'by post'].map((value) => ({ value, label: value.toUpperCase() })) } },
    { id: 's-ways', kind: 'choices', label: 'Ways', entry: { options: ['by phone', 'phone', 'by post'].map((value) => ({ value, label: value.toUpperCase() })) } },
    { id: 's-agreed', kind: 'yes-no', label: 'Agreed', entry: { draw: 'tick' }, rules: [{ id: 'needed', check: { type: 'required' } }] },
  ],
} as unknown as SetDocument; // biome-ignore format: a field a line

const postgres = testPostgres();
let client: Client;
beforeAll(async () => {
  client = new Client({ connectionString: postgres().database('domains') });
  await client.connect();
  for (const set of [demo, sayable]) await client.query(sqlDomains(set, kinds).sql);
  // One value may be refused and the others go on.
  await client.query(`create function accepted(domain text, given text[]) returns boolean[] language plpgsql as $$
    declare found boolean[] := '{}'; one text;
    begin
      foreach one in array given loop
        begin
          execute format('select %L::%I', one, domain);
          found := found || true;
        exception when check_violation then found := found || false;
        end;
      end loop;
      return found;
    end $$`);
});
afterAll(() => client.end());

const accepted = async (domain: string, given: readonly string[]): Promise<readonly boolean[]> =>
  (await client.query('select accepted($1, $2) as found', [domain, given])).rows[0].found;

/** Whether a value is one that the field can have, and no rule of its own fails. */
function canHave(field: HydratedField, value: string): boolean {
  const state = apply(field, apply(field, start({ ...field, initial: '' }), { type: 'set', text: value }), { type: 'submit' }); // biome-ignore format: a value
  const evaluation = evaluateOn(today)(field, state);
  return evaluation.value === value && evaluation.flags.valid;
}

/** Values that a field can have, and what comes of changing them by a character or two. */
function valuesFor(field: HydratedField): fc.Arbitrary<string> {
  const typed = fc
    .array(fc.constantFrom(...'0123456789ABCHRWMehotuw@.:-+ /£', 'windgap', 'yes', 'no', 'wood'), { minLength: 1, maxLength: 14 }) // biome-ignore format: a value
    .map((keys) => {
      const state = apply(field, start({ ...field, initial: '' }), { type: 'set', text: keys.join('') });
      return evaluateOn(today)(field, state).value ?? keys.join('');
    });
  const known = fc.constantFrom('+447700900123', '2027-02-14', '2028-02-29', '2027-02-29', '12:30', '24:00', '90', '100.00', '20.50', '-3.00', '7', '24', '25', '1357', '123456', 'RH-0042-WM6', 'RH-1234-AB', 'guest@huts.example', 'yes', 'no', 'windgap', 'blanket wood', '12.5', '2027-03', '2027-02-14T16:30', 'RH-0000', 'AB-1234', 'AB-1235', '2330', '2331', '2468', '99.5', '99.55', '-5', '-5.5', '2028-03-01', '2027-01', ''); // biome-ignore format: a list
  const changed = fc
    .tuple(fc.oneof(typed, known), fc.nat(20), fc.constantFrom('', '0', '9', 'x', ' ', '-', '\n', 'é', '٣'))
    .map(([text, at, put]) => text.slice(0, at) + put + text.slice(at + 1));
  return fc.oneof(typed, known, changed);
}

const { unsaid } = sqlDomains(demo, kinds);
const cases = [demo, sayable].flatMap((set) => set.fields.map((field) => [field.id, field, set] as const));
describe('a domain accepts what its field can have, and lists what else', () => {
  test.each(cases)('%s', async (id, definition, set) => {
    const field = compileField(definition, set, kinds);
    const given = fc.sample(valuesFor(field), values);
    const found = await accepted(id.replaceAll('-', '_'), given);
    const right = given.map((value) => canHave(field, value));
    const lost = given.filter((_, i) => right[i] && !found[i]);
    expect(lost).toEqual([]);
    const beyond = given.filter((_, i) => found[i] && !right[i]);
    const isListed = set === demo && unsaid.some((line) => line.startsWith(`${field.label}: `));
    expect(isListed ? [] : beyond).toEqual([]);
  });

  test('what a domain can say it says: these are exact', () => {
    const inexact = new Set(unsaid.map((line) => line.slice(0, line.indexOf(': '))));
    expect(sqlDomains(sayable, kinds).unsaid).toEqual([]);
    const exact = demo.fields.map(({ label }) => label).filter((label) => !inexact.has(label));
    expect(exact).toEqual([
      'Deposit', 'Expected at the hut', 'Walk-in time, in minutes', 'Party size', 'Member’s discount', 'Code from our message', 'Warden’s telephone', 'Hut', 'Meals', 'Extras', 'Are you bringing a dog?',
    ]); // biome-ignore format: a list
  });
});

test.each([
  ['[A-Z]{2}-\\d{4}', ['AB-1234', 'ab-1234', 'AB-12345', 'AB-123٤']],
  ['(?!0000)\\d{4}', ['0000', '0001', '12345']],
  ['a[\\-\\]\\\\^\\d]+', ['a-', 'a]', 'a\\', 'a^', 'a7', 'ax']],
  ['(?:a|b)?\\.\\$\\+\\/', ['a.$+/', '.$+/', 'ab.$+/']],
  ['x{2,3}', ['x', 'xx', 'xxx', 'xxxx']],
])('an expression means there what it means here: %s', async (source, texts) => {
  const own = sqlExpression(source)!;
  const { rows } = await client.query('select t ~ $1 as is_found from unnest($2::text[]) with ordinality as u(t, n) order by n', [`^(?:${own})$`, texts]); // biome-ignore format: a query
  const here = new RegExp(`^(?:${source})$`, 'u');
  expect(rows.map((row) => row.is_found)).toEqual(texts.map((text) => here.test(text)));
});

test.each(['\\p{L}', 'a.c', '[\\s]', '(?<=a)b', 'a{300}', '[^]', '[[a]', '\\u0041'])(
  'one that means something else is not written: %s',
  (source) => expect(sqlExpression(source)).toBeUndefined(),
);

test('texts of a document end no string, name or comment', async () => {
  const hostile = {
    arbeit: 2,
    title: 'A\n; drop table x; --',
    locale: 'en-GB',
    fields: [
      { id: 'a', kind: 'choice', label: "B\u2028'); drop --", entry: { options: [{ value: "x'); --", label: 'X' }, { value: 'y\\', label: 'Y' }] } },
      { id: 'a-b', kind: 'text', label: 'C', entry: {} },
      { id: 'a_b', kind: 'text', label: 'C', entry: {} },
    ],
  } as unknown as SetDocument; // biome-ignore format: a field a line
  const { sql } = sqlDomains(hostile, kinds);
  await client.query(
    `create schema hostile; set search_path to hostile; ${sql} set search_path to public, hostile`,
  );
  expect(await accepted('a', ["x'); --", 'y\\', 'z'])).toEqual([true, true, false]);
  const { rows } = await client.query("select typname from pg_type join pg_namespace n on n.oid = typnamespace where nspname = 'hostile' and typtype = 'd' order by 1"); // biome-ignore format: a query
  expect(rows.map(({ typname }) => typname)).toEqual(['a', 'a_b', 'a_b_2']);
});
