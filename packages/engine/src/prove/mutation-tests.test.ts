import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { besideLimit } from '../checks/range/beside-limit.ts';
import { compile, type RunCustomCode } from '../document/compile.ts';
import type { FieldDocument, FormDocument, SetDocument } from '../document/document.ts';
import { readDocument } from '../document/read-document.ts';
import { kinds } from '../kinds/registry.ts';
import { holds, runTrial, type Trial } from '../tape/trial.ts';
import { type MutantResult, testMutations } from './mutation-tests.ts';
import { mutationsOf } from './mutations.ts';
import { random } from './random.ts';
import { reachOf } from './reach.ts';

const today = '2027-02-10';
const demo = JSON.parse(
  readFileSync(new URL('../../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
) as SetDocument;
const setOf = (fields: readonly object[], more: object = {}): SetDocument => {
  const read = readDocument({ arbeit: 2, title: 'T', locale: 'en-GB', fields, ...more }, kinds);
  if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
  return read.document;
};
const proven = (document: SetDocument): readonly MutantResult[] =>
  [...testMutations(document, kinds, { today })].flatMap((step) => step.proven ?? []);
const wordsOf = (document: SetDocument, type: 'field' | 'form' = 'field'): readonly string[] =>
  mutationsOf(document, { type, id: 'a' }, kinds).map(({ words }) => words);

const price = {
  id: 'a',
  kind: 'currency',
  label: 'A',
  entry: { currency: 'GBP' },
  rules: [{ id: 'most', check: { type: 'range', max: '500' } }],
};
const day = (id: string) => ({ id, kind: 'date', label: id, entry: {} }); // biome-ignore format: a field a line

describe('every sort of break is made', () => {
  test.each<[string, SetDocument, readonly string[]]>([
    ['rules: dropped, off by one, at another moment, of another weight', setOf([price]), [
      'rule “most” dropped', 'rule “most”: max 499 instead of 500', 'rule “most”: max 501 instead of 500',
      'rule “most”: shown while typing instead of on blur', 'rule “most”: shown on submit instead of on blur', 'rule “most”: warning instead of error', 'made required',
    ]],
    ['options: sign, grouping, decimals, by what they say of themselves', setOf([price]), ['negative numbers: minus sign', 'negative numbers: parentheses']],
    ['a pattern: wider, narrower, optional, fixed text', setOf([{ id: 'a', kind: 'pattern', label: 'A', entry: { pattern: 'R-<2 digit><? x<1-2 letter>>' } }]), [
      '“R-” removed', '“-” instead of “R”', 'one more digit', 'one fewer digit', 'the last digit is optional', 'alnum instead of digit', '“ x<1-2 letter>” is required', '“ x<1-2 letter>” removed', 'every letter is required', 'latin instead of letter',
    ]],
    ['numbers and words of a pattern', setOf([{ id: 'a', kind: 'pattern', label: 'A', entry: { pattern: '<00..23> <AM|PM>' } }]), ['from 01 to 23', 'from 00 to 22', 'from 00 to 24', 'without “AM”', 'without “PM”']],
    ['what is offered', setOf([{ id: 'a', kind: 'choice', label: 'A', entry: { options: [{ value: 'x', label: 'X' }, { value: 'y', label: 'Y' }, { value: 'z', label: 'Z' }] } }]), ['without “X”', 'without “Z”']],
    ['messages, conditions, what is done with what is refused', setOf([{ ...price, rules: [{ id: 'r', check: { type: 'in', values: ['1', '2'] }, say: 'No.', refused: 'clear', when: { field: 'b', is: null } }] }, day('b')]), [
      'rule “r”: message removed', 'rule “r”: condition removed', 'rule “r”: condition inverted', 'rule “r”: keeps failing values', 'rule “r”: “1” removed from the list', 'rule “r”: forbids the list instead of requiring it',
    ]],
  ])('%s', (_, document, some) => {
    const words = wordsOf(document);
    expect(some.filter((one) => !words.some((own) => own.toLowerCase().endsWith(one.toLowerCase())))).toEqual([]);
    expect(new Set(words).size).toBe(words.length);
  }); // biome-ignore format: a table

  test('across fields: a comparison turned round, days off by one; a form that is not sent by itself', () => {
    const form = { id: 'a', fields: ['b', 'c'], rules: [{ id: 'order', field: 'c', check: { type: 'compare', op: 'after', field: 'b' } }, { id: 'two', field: 'c', check: { type: 'compare', op: 'at-most-days', field: 'b', days: 14 } }], unanswered: 'hold' } as unknown as FormDocument;
    const words = wordsOf(setOf([day('b'), day('c')], { forms: [form] }), 'form');
    expect(words).toEqual(expect.arrayContaining(['rule “order”: “not-before” instead of “after”', 'rule “order”: “not-after” instead of “after”', 'rule “two”: 13 days instead of 14', 'rule “two”: “at-least-days” instead of “at-most-days”', 'unanswered server checks handled the other way']));
  }); // biome-ignore format: a list

  test('each of the demo’s is a set that can be read, other than it was', () => {
    for (const target of [
      { type: 'field', id: 'warden' },
      { type: 'form', id: 'booking' },
    ] as const)
      for (const one of mutationsOf(demo, target, kinds)) {
        expect(readDocument(structuredClone(one.document), kinds).ok, one.words).toBe(true);
        expect(JSON.stringify(one.document)).not.toBe(
          JSON.stringify({ ...demo, trials: undefined, texts: undefined }),
        );
      }
  });

  test.each([
    ['500', ['499', '501']],
    ['0.5', ['0.4', '0.6']],
    ['2027-03-01', ['2027-02-28', '2027-03-02']],
    ['today', ['today-1d', 'today+1d']],
    ['today+18m', ['today+17m', 'today+19m']],
    ['today+1d', ['today', 'today+2d']],
    ['23:59', ['23:58']],
    ['00:00:30', ['00:01:30']],
    ['2027-01', ['2026-12', '2027-02']],
    ['2027-03-01T00:00', ['2027-02-28T23:59', '2027-03-01T00:01']],
    ['soon', []],
  ])('beside the limit %s stands %j', (limit, beside) => expect(besideLimit(limit)).toEqual(beside));
});

describe('what trials do about it', () => {
  const trial: Trial = {
    id: 'top',
    tape: 'field a\ntype "500"\nleave\nexpect codes none\nselect all\ntype "501"\nleave\nexpect codes above-max\n',
  };

  test('a trial that goes to the edge catches a limit off by one, on either side', () => {
    const fates = new Map(
      proven({ ...setOf([price]), trials: [trial] }).map(({ words, status }) => [words, status]),
    );
    for (const words of ['max 499 instead of 500', 'max 501 instead of 500'])
      expect(fates.get(`rule “most”: ${words}`)).toEqual({ is: 'caught', by: 'top' });
    expect(fates.get('rule “most” dropped')).toEqual({ is: 'caught', by: 'top' });
    expect(fates.get('rule “most”: warning instead of error')).toMatchObject({ is: 'missed' });
  });

  test('one that does not hold as things are catches nothing', () => {
    const broken = { ...trial, tape: trial.tape.replace('expect codes none', 'expect codes below-min') };
    const fates = proven({ ...setOf([price]), trials: [broken] });
    expect(fates.filter(({ status }) => status.is === 'caught')).toEqual([]);
  });

  test('what is written as it would be anyway provably changes nothing', () => {
    const fates = proven(setOf([{ ...day('a'), entry: { order: 'locale' } }]));
    expect(fates.find(({ words }) => words === 'order: day, month, year')?.status).toEqual({ is: 'same' });
    expect(fates.find(({ words }) => words === 'order: month, day, year')?.status).toMatchObject({
      is: 'missed',
    });
  });

  test('a condition is broken at the field and seen in its form', () => {
    const fields = [{ id: 'dog', kind: 'yes-no', label: 'Dog', entry: {} }, { id: 'a', kind: 'text', label: 'A', entry: {}, rules: [{ id: 'needed', check: { type: 'required' } }], when: { field: 'dog', is: 'yes' } }]; // biome-ignore format: a list
    const all = proven(setOf(fields, { forms: [{ id: 'f', fields: ['dog', 'a'] }] }));
    const found = all.find(({ words }) => words === 'condition removed')?.status;
    expect(found).toMatchObject({ is: 'missed', trial: { tape: expect.stringMatching(/^form f\n/) } });
  });

  test('each trial that is proposed for the demo holds, and does not once it is broken; with all of them nothing is missed', () => {
    // All four, and a form, in `npm run hard`.
    const some = ['deposit', 'arrival', 'hut-pass', 'party'].slice(0, process.env.ARBEIT_LONG ? 4 : 1);
    const targets = [
      ...some.map((id) => ({ type: 'field', id }) as const),
      ...(process.env.ARBEIT_LONG ? [{ type: 'form', id: 'booking' } as const] : []),
    ];
    const all = [...testMutations(demo, kinds, { today, targets })].flatMap((step) => step.proven ?? []);
    const fresh = all.flatMap(({ status }) => (status.is === 'missed' && status.isNew ? [status.trial] : []));
    expect(fresh.length).toBeGreaterThan(process.env.ARBEIT_LONG ? 10 : 0);
    const right = compile(demo, kinds);
    for (const one of fresh) expect([one.tape, holds(runTrial(right, one, today))]).toEqual([one.tape, true]);
    const grown = { ...demo, trials: [...(demo.trials ?? []), ...fresh] };
    expect(readDocument(structuredClone(grown), kinds)).toMatchObject({ ok: true });
    const again = [...testMutations(grown, kinds, { today, targets })].flatMap((step) => step.proven ?? []);
    expect(again.filter(({ status }) => status.is === 'missed')).toEqual([]);
    // Many have little left: trials were taken over from those before.
    expect(fresh.length).toBeLessThan(all.filter(({ status }) => status.is === 'missed').length);
  });

  test('progress is told from nothing to all, and it may be left off', () => {
    const steps = testMutations(setOf([price]), kinds, { today });
    const first = steps.next().value;
    expect(first).toMatchObject({ done: 0 });
    expect(steps.next().value).toMatchObject({ done: 1, of: first?.of });
    steps.return(undefined);
    expect(steps.next().done).toBe(true);
  });
});

describe('what trials reach', () => {
  test('verdicts, messages, options and situations, each seen or not', () => {
    const hut = { id: 'hut', kind: 'choice', label: 'Hut', entry: { options: [{ value: 'x', label: 'X' }, { value: 'y', label: 'Y' }] } }; // biome-ignore format: a field
    const trials = [
      { id: 't', tape: 'form f\nfocus a\ntype "501"\nleave\nfocus hut\nset "y"\nexpect codes none\n' },
    ];
    const [a, offered] = reachOf(
      setOf([price, hut], { forms: [{ id: 'f', fields: ['a', 'hut'] }], trials }),
      kinds,
      today,
    );
    expect(a).toMatchObject({
      field: 'a',
      trials: 1,
      situations: { focused: true, left: true, submitted: false, whole: true, refused: false },
    });
    expect(a!.rules.find(({ rule }) => rule === 'most')).toEqual({
      rule: 'most',
      verdicts: ['fail', 'pass'],
      isShown: true,
    });
    expect(offered!.options).toEqual([{ value: 'x', isSeen: false }, { value: 'y', isSeen: true }]); // biome-ignore format: a list
  });

  test('the places of a text that were ever filled, in cells and in parts; fixed text is none', () => {
    const pass = { id: 'pass', kind: 'pattern', label: 'Pass', entry: { pattern: 'RH-<2 digit><? /<1 letter>>' } };
    const day = { id: 'day', kind: 'date', label: 'Day', entry: {} };
    const trials = [
      { id: 'p', tape: 'field pass\ntype "12"\nexpect codes none\n' },
      { id: 'd', tape: 'field day\ntype "4"\nexpect codes none\n' },
    ];
    const [cells, parts, none] = reachOf(setOf([pass, day, price], { trials }), kinds, today);
    expect(cells!.places).toEqual([{ text: 'RH-' }, { text: '5', isSeen: true }, { text: '5', isSeen: true }, { text: ' /' }, { text: 'C', isSeen: false }]);
    expect(parts!.places).toEqual([{ text: 'day', isSeen: true }, { text: '/' }, { text: 'month', isSeen: false }, { text: '/' }, { text: 'year', isSeen: false }]);
    expect(none!.places).toEqual([]);
  }); // biome-ignore format: a text a line

  test('a field no trial goes through has been nowhere', () => {
    const [a] = reachOf(setOf([price]), kinds, today);
    expect(a).toMatchObject({ trials: 0, situations: { focused: false } });
    expect(a!.rules.every(({ verdicts }) => verdicts.length === 0)).toBe(true);
  });
});

test('the same seed makes the same numbers, within their bounds and spread over them', () => {
  const take = (seed: number) => {
    const { below } = random(seed);
    return Array.from({ length: 3000 }, () => below(10));
  };
  expect(take(7)).toEqual(take(7));
  expect(take(7)).not.toEqual(take(8));
  for (let i = 0; i < 10; i++) expect(take(7).filter((n) => n === i).length).toBeGreaterThan(200);
});

test('fields and forms of the demo have something that can be broken', () => {
  for (const { id } of demo.fields as readonly FieldDocument[])
    expect(mutationsOf(demo, { type: 'field', id }, kinds).length, id).toBeGreaterThan(3);
});

test('rules of own code are broken and told apart where something runs it', () => {
  const code = 'export default ({ value }) => (value === "123" ? { code: "twelve" } : undefined);';
  const own = setOf([
    {
      id: 'a',
      kind: 'pin',
      label: 'A',
      entry: { length: 3 },
      rules: [{ id: 'own', check: { type: 'custom', code }, show: 'at-once' }],
    },
  ]);
  const run: RunCustomCode = {
    check: (_, { value }) => ({ answer: value === '123' ? { code: 'twelve' } : undefined }),
    shape: () => undefined,
  };
  const trials: Trial[] = [{ id: 't', tape: 'field a\ntype "123"\nexpect codes twelve\n' }];
  const fates = (more: object) =>
    [...testMutations({ ...own, trials }, kinds, { today, ...more })].flatMap((step) => step.proven ?? []);
  expect(fates({ run }).find(({ words }) => words === 'rule “own” dropped')?.status).toEqual({
    is: 'caught',
    by: 't',
  });
  const seen = (code?: RunCustomCode) =>
    reachOf({ ...own, trials }, kinds, today, code)[0]!.rules.find(({ rule }) => rule === 'own')!;
  expect(seen(run).verdicts).toContain('fail');
  expect(seen().verdicts).not.toContain('fail');
  // Without it the trial does not hold, and notices nothing.
  expect(fates({}).find(({ words }) => words === 'rule “own” dropped')?.status).not.toMatchObject({
    is: 'caught',
  });
});

test('a mutant speaks the language of its set: a trial of one message catches no other change', () => {
  const rules = [
    { id: 'filled', check: { type: 'required' } },
    { id: 'long', check: { type: 'length', min: 3 }, severity: 'warning' },
  ];
  const trials = [
    {
      id: 'empty',
      name: 'Empty',
      tape: 'field a\nfocus\nleave\nexpect message "Bitte füllen Sie dieses Feld aus."\n',
    },
  ];
  const german = setOf([{ id: 'a', kind: 'text', label: 'A', entry: {}, rules }], {
    locale: 'de-DE',
    trials,
  });
  const [trial] = trials;
  expect(runTrial(compile(german, kinds), trial!, today).misses).toEqual([]);
  const about = (words: string) => proven(german).find((one) => one.words.includes(words))?.status.is;
  expect(about('rule “filled” dropped')).toBe('caught');
  expect(about('rule “long”: min 2 instead of 3')).toBe('missed');
});

test('names of suggested trials differ, also between fields with the same rules and from trials that exist', () => {
  const named = {
    id: 't',
    name: 'catches: rule “most” dropped',
    tape: 'field a\nfocus\nexpect codes none\n',
  };
  const document = setOf([price, { ...price, id: 'b', label: 'B' }], { trials: [named] });
  const names = proven(document).flatMap(({ status }) =>
    status.is === 'missed' && status.isNew ? [status.trial.name] : [],
  );
  expect(names).toContain('A, catches: rule “most” dropped');
  expect(names).toContain('B, catches: rule “most” dropped');
  expect(new Set([...names, named.name]).size).toBe(names.length + 1);
});
