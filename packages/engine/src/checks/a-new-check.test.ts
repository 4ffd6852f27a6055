import Ajv2020 from 'ajv/dist/2020.js';
import { expect, test } from 'vitest';
import { compile } from '../document/compile.ts';
import { compileField } from '../document/compile-field.ts';
import type { SetDocument } from '../document/document.ts';
import { readDocument } from '../document/read-document.ts';
import { problemWithCheck } from '../document/read-rules.ts';
import { documentSchema } from '../document/schema.ts';
import { dehydrate, hydrate } from '../field/kind.ts';
import { kinds } from '../kinds/registry.ts';
import { text } from '../kinds/text/run.ts';
import { auditSet } from '../prove/audit-set.ts';
import { testMutations } from '../prove/mutation-tests.ts';
import { mutationsOf } from '../prove/mutations.ts';
import { languages } from '../rules/wording/all.ts';
import { parseTape } from '../tape/parse-tape.ts';
import { play } from '../tape/play.ts';
import { begins, document } from './begins.fixture.ts';
import { checks as builtIn } from './runs.ts';

const checks = { begins };
const [field] = document.fields;
const withCheck = (check: object, more: object = {}): SetDocument =>
  ({ ...document, fields: [{ ...field, rules: [{ id: 'begins', check, ...more }] }] }) as SetDocument;

test('the reader and the schema agree about it, and refuse it where it is not handed in', () => {
  const ajv = (schema: object) =>
    new Ajv2020({ strict: true, allowUnionTypes: true, strictRequired: false }).compile(schema);
  const [withIt, without] = [ajv(documentSchema(kinds, checks)), ajv(documentSchema(kinds))];
  const cases: readonly (readonly [object, boolean])[] = [
    [document, true],
    [withCheck({ type: 'begins', text: 7 }), false],
    [withCheck({ type: 'begins', text: ' ' }), false],
    [withCheck({ type: 'begins' }), false],
    [withCheck({ type: 'begins', text: 'RH', more: 1 }), false],
    [withCheck({ type: 'ends', text: 'RH' }), false],
    [withCheck({ type: 'length', min: 2 }), true],
  ];
  for (const [json, isGood] of cases) {
    expect([json, readDocument(json, kinds, { checks }).ok]).toEqual([json, isGood]);
    expect([json, withIt(json)]).toEqual([json, isGood]);
  }
  expect(readDocument(document, kinds)).toMatchObject({
    ok: false,
    faults: [{ path: '$.fields[0].rules[0].check.type' }],
  });
  expect(without(document)).toBe(false);
  expect(() => compileField(field!, document, kinds)).toThrow('Unknown check "begins".');
});

test('its message may name what it brings, and nothing else', () => {
  const faults = (say: string) => {
    const read = readDocument(withCheck({ type: 'begins', text: 'RH' }, { say }), kinds, { checks });
    return read.ok ? [] : read.faults.map(({ path, suggestion }) => [path, suggestion]);
  };
  expect(faults('Not {text}, {label}.')).toEqual([]);
  expect(faults('Not {txt}.')).toEqual([['$.fields[0].rules[0].say', '{text}']]);
  expect(problemWithCheck(kinds.text.define, { type: 'begins', text: '' }, checks)).toHaveLength(1);
});

test('a tape plays on it: open, fail and pass, with its message in the field’s language', () => {
  const played = (set: SetDocument, tape: string) => {
    const parsed = parseTape(tape);
    const outcome = parsed.ok && play(compile(set, kinds, languages, checks), parsed.tape);
    return outcome && 'misses' in outcome ? outcome.misses : outcome;
  };
  expect(
    played(
      document,
      'field pass\ntype "R"\nexpect verdict begins open\nexpect codes none\ntype "x"\nexpect codes begins-otherwise\nexpect message "Start with RH."\nbackspace\ntype "H1"\nexpect verdict begins pass\nexpect codes none\n',
    ),
  ).toEqual([]);
  const german = { ...document, locale: 'de-DE' };
  expect(played(german, 'field pass\ntype "x"\nexpect message "Beginnen Sie mit RH."\n')).toEqual([]);
  // A language it has no text in gets its English one.
  expect(
    played({ ...document, locale: 'fr-FR' }, 'field pass\ntype "x"\nexpect message "Start with RH."\n'),
  ).toEqual([]);
});

test('a compiled field travels as JSON and needs the check when it is opened', () => {
  const compiled = compileField(field!, document, kinds, languages, checks);
  const json = JSON.parse(JSON.stringify(dehydrate(compiled)));
  expect(() => hydrate(json, { text }, builtIn)).toThrow('Unknown check "begins"');
  expect(hydrate(json, { text }, { ...builtIn, begins: begins.run })).toMatchObject({ id: 'pass' });
});

test('mutation tests change it, and a trial catches what it notices', () => {
  const words = mutationsOf(document, { type: 'field', id: 'pass' }, kinds, checks).map((one) => one.words);
  expect(words).toContain('rule “begins”: begins with “RH!”');
  const trials = [
    {
      id: 'begins',
      tape: 'field pass\ntype "RH"\nexpect verdict begins pass\nbackspace 2\ntype "x"\nexpect codes begins-otherwise\n',
    },
  ];
  const proven = [
    ...testMutations({ ...document, trials } as SetDocument, kinds, { today: '2027-02-10', checks }),
  ].flatMap((step) => step.proven ?? []);
  const statusOf = (about: string) => proven.find((one) => one.words.includes(about))?.status.is;
  expect(statusOf('begins with “RH!”')).toBe('caught');
  expect(statusOf('dropped')).toBe('caught');
});

test('the law check runs on a field that has it', () => {
  const found = [...auditSet(document, kinds, { seed: 1, events: 2000, today: '2027-02-10', checks })];
  expect(found.flatMap((step) => step.found ?? [])).toEqual([]);
  expect(found.length).toBeGreaterThan(0);
});
