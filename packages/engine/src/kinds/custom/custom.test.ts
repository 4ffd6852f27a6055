import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compile, type RunCustomCode, withCustomCode } from '../../document/compile.ts';
import type { SetDocument } from '../../document/document.ts';
import { readDocument } from '../../document/read-document.ts';
import { apply, keysOf, start } from '../../field/apply.ts';
import { evaluate } from '../../field/evaluation.ts';
import { dehydrate, type HydratedField } from '../../field/kind.ts';
import type { RunShape, Shaped } from '../../field/shape.ts';
import { applyToForm, type FormEvent } from '../../form/apply.ts';
import { checkRecord } from '../../form/check-record.ts';
import { startForm } from '../../form/form.ts';
import { auditSet } from '../../prove/audit-set.ts';
import { parseTape } from '../../tape/parse-tape.ts';
import { play } from '../../tape/play.ts';
import { kinds } from '../registry.ts';
import type { CustomText } from './body.ts';
import { placed, toldApart } from './placed.ts';
import { shapes as evenShapes, oddShapes, plainly } from './plainly.fixture.ts';

const shapes = { ...evenShapes, ...oddShapes };

import { customFormatBy } from './run.ts';
import { shapeWords } from './words.ts';

const setOf = (entry: object, more: object = {}): SetDocument =>
  ({
    arbeit: 2,
    title: 'Keys',
    locale: 'en-GB',
    fields: [{ id: 'key', kind: 'custom', label: 'Key', entry, ...more }],
  }) as SetDocument;

const code = (shape: RunShape): RunCustomCode => ({ check: () => undefined, shape });

function fieldOf(entry: object, shape: RunShape = plainly()): HydratedField {
  const document = setOf(entry);
  expect(readDocument(document, kinds)).toMatchObject({ ok: true });
  return withCustomCode(compile(document, kinds), code(shape)).fields[0]!;
}

function misses(entry: object, tape: string): readonly string[] {
  const script = parseTape(`field key\n${tape}`);
  if (!script.ok) throw new Error(JSON.stringify(script));
  const played = play(withCustomCode(compile(setOf(entry), kinds), code(plainly())), script.tape);
  if (!('misses' in played)) throw new Error(JSON.stringify(played));
  return played.misses.map((miss) => JSON.stringify(miss));
}

describe('editing around a developer’s text', () => {
  test.each([
    ['fours', {}, 'type "12345678"\nexpect display "1234 5678|"\nexpect raw "12345678"\ncaret 6\nbackspace\nexpect display "1234 |678"\nbackspace\nexpect display "123|6 78"\ntype "9"\nexpect display "1239| 678"\nundo\nexpect display "123|6 78"\nundo\nexpect display "1234 5|678"'],
    ['fours', {}, 'type "1234"\ntype " "\nexpect display "1234|"\nexpect rejected not-accepted\ntype "5"\ncaret 4\ntype " "\nexpect display "1234 |5"\ntype "x"\nexpect rejected not-accepted'],
    ['fours', { length: { min: 4, max: 4 } }, 'type "123"\nexpect value null\nexpect flags !complete\ntype "45"\nexpect rejected full\nexpect value "1234"\nexpect flags complete'],
    ['fours', {}, 'paste "12 34-56 x9"\nexpect display "1234 569|"\nexpect left-out "x"\npaste "zz"\nexpect rejected not-accepted\nselect 0 4\ncut\nexpect display "|569"\ndelete\nexpect display "|69"\nword-backspace\nexpect display "|69"\nend\nword-backspace\nexpect display ""'],
    ['signed', {}, 'type "123"\nexpect display "(12) 3|"\ntype ")"\nexpect rejected not-accepted\nhome\nexpect display "(|12) 3"\nright\ntype "9"\nexpect display "(19|) 23"\ntype ")"\nexpect display "(19)| 23"'],
    ['lead', { takes: 'alnum' }, 'type "ab1cd2"\nexpect display "K4-ab1-cd2|"\nselect all\npaste "k4 - ab1-cd2"\nexpect raw "ab1cd2"\nselect all\npaste "K4x"\nexpect raw "K4x"'],
    // The digits of the fixed text before it could be the user's: another number with as many tells them
    // apart.
    ['pieces', {}, 'type "4477"\nexpect display "+44 4477|"\ncaret 5\nexpect display "+44 4|477"\nbackspace\nexpect display "+44 |477"'],
    ['lead', { takes: 'digit' }, 'type "44"\nexpect display "K4-44|"\nbackspace\nexpect display "K4-4|"'],
    ['lead', { takes: 'digit' }, 'paste "K4-123"\nexpect raw "123"\nexpect left-out ""'],
    ['valued', {}, 'type "12"\nexpect display "12| h"\nexpect value "12"\nselect all\ntype "0"\nexpect value null\nexpect flags !complete\nset "7"\nexpect display "7| h"'],
    // Fixed text in front that is typed is shown, and is not typed a second time.
    ['pieces', {}, 'type "+"\nexpect display "+|"\nexpect raw ""\ntype "44"\nexpect display "+44|"\ntype "12"\nexpect display "+44 12|"\nexpect raw "12"\nselect all\ntype "+44 9"\nexpect display "+44 9|"\nexpect raw "9"'],
    ['pieces', {}, 'type "+4"\nbackspace\nexpect display ""\ntype "4"\nexpect raw "4"'],
    ['pieces', {}, 'type "+5"\nexpect display "+44 5|"\nselect all\npaste "+44"\nexpect raw ""\ntype "7"\nexpect raw "7"'],
    // A raw value that begins as the fixed text does is that value (law 12).
    ['nought', {}, 'type "0123"\nexpect display "00123|"\nset "0123"\nexpect raw "0123"\nset ""\nset "0123"\nexpect raw "0123"\nset ""\npaste "0123"\nexpect raw "123"'],
    ['plain', { takes: '"0-9A-F" upper' }, 'type "1af"\nexpect raw "1AF"\ntype "g"\nexpect rejected not-accepted'],
  ] as const)('%s %j', (name, more, tape) => {
    expect(misses({ code: shapes[name], ...more }, tape)).toEqual([]);
  }); // biome-ignore format: a case a line
});

describe('what a function may not do', () => {
  const chars = [...'1a2'];
  test.each([
    ['1a', 'shape() left out “2”. Return all typed characters.'],
    ['2a1', 'shape() changed the order of “a”. Keep the typed order.'],
    ['1A2', 'shape() changed “a” to “A”. Convert letters with “Allowed characters”.'],
    [12, 'shape() returned a value of type number. Expected a string.'],
    [undefined, 'shape() returned nothing. Expected a string.'],
    ['1a\n2', 'shape() returned a line break or a control character.'],
    ['1a2e\u0301', 'shape() returned decomposed text. Return NFC-normalized text.'],
    ['1a2'.padEnd(2001), 'shape() returned more than 2000 characters.'],
    [['', '1', ' ', 'a'], 'The typed pieces in the list of shape() give “1a”, which is not the content.'],
    [['', 1], 'shape() returned a list with items that are not strings.'],
    // An accent by itself joins what is fixed before it: it is no character of its own there.
    [
      ['x', '1\u0301', '', 'a2'],
      'The typed pieces in the list of shape() give “1\u0301a2”, which is not the content.',
    ],
    // A mark behind a character makes another one of it.
    ['1a2\u20e3', 'shape() left out “2”. Return all typed characters.'],
  ])('%j', (answer, problem) => {
    const found = placed(answer, chars);
    expect(Array.isArray(found) && shapeWords({ of: 'text', what: found[0], about: found[1] })).toBe(problem);
  });

  test.each(['apart', 'pieces'] as const)('%s: accents on their own never throw', (name) => {
    const field = fieldOf({ code: shapes[name], takes: 'any' });
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('a', 'x', '1', '\u0301', '\u0327', 'é', '👍', '\u200d'), { maxLength: 8 }),
        (keys) => {
          let state = apply(field, start(field), { type: 'focus' });
          for (const text of keys) state = apply(field, state, { type: 'key', text });
          state = apply(field, state, { type: 'paste', text: keys.join('') });
          for (const type of ['word-backspace', 'delete', 'undo', 'backspace'] as const)
            state = apply(field, state, { type });
          expect((state.body as CustomText).places).toHaveLength(
            (state.body as CustomText).characters.length,
          );
        },
      ),
    );
  });

  test.each(Object.entries(shapes))('raw handed back to %s is that raw (law 12)', (_, own) => {
    const field = fieldOf({ code: own, takes: '"0-9+K"' });
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...'0123456789+K'), { minLength: 1, maxLength: 8 }), (content) => {
        const { plan, kind } = field;
        const raw = content.join('');
        const { body, leftOut } = kind.parse(plan, raw);
        expect([kind.raw(plan, body), leftOut]).toEqual([raw, '']);
      }),
    );
  });

  test('where it does, what was typed stands there, nothing is lost, and the developer is told why', () => {
    const run: RunShape = (_, content) =>
      content.length > 2 ? { broken: 'RangeError: too much', line: 3 } : { shown: `<${content}>` };
    const field = fieldOf({ code: shapes.plain }, run);
    const two = keysOf('12').reduce(
      (state, key) => apply(field, state, key),
      apply(field, start(field), { type: 'focus' }),
    );
    expect(two.body.display).toBe('<12>');
    const three = apply(field, two, { type: 'key', text: '3' });
    expect(three).toMatchObject({ start: 3, body: { display: '123', content: '123' } });
    const evaluation = evaluate(field, apply(field, three, { type: 'leave' }));
    expect(evaluation).toMatchObject({ value: null, raw: '123', flags: { valid: false } });
    expect(evaluation.shown[0]).toMatchObject({
      code: 'shape-broken',
      message: 'Something went wrong on our side. Please try again later.',
    });
    expect(evaluation.findings[0]?.data).toEqual({ reason: 'RangeError: too much', line: '3' });
    expect(apply(field, three, { type: 'undo' }).body.content).toBe('');
  });

  test.each([
    ['export function shape(c) { return c.slice(0, 3); }', 2, 'left out “'],
    ['export function shape(c) { return [...c].reverse().join(""); }', 2, 'changed the order'],
    ['let calls = 0; export function shape(c) { return c + "-".repeat(++calls % 3); }', 1, ''],
    [
      'let before = ""; export function shape(c) { const shown = before > c ? c + "." : c; before = c; return shown; }',
      1,
      '',
    ],
    ['export function shape(c) { if (c.length > 4) throw new RangeError("long"); return c; }', 11, 'long'],
    [
      'export function shape(c) { return c; } export function value(c) { return Number(c); }',
      11,
      'type number',
    ],
    ['export function shape(c) { return c; } export function value(c) { return "n" + c + "1"; }', 12, ''],
    // What stands between is made of what it takes: pasted, it cannot be told from what was typed.
    ['export function shape(c) { return c.replace(/(..)(?=.)/g, "$10"); }', 2, ''],
  ])('the audit says so of %s', (own, law, found) => {
    const wanted = { seed: 3, events: 4000, today: '', run: code(plainly()) };
    const broken = [...auditSet(setOf({ code: own }), kinds, wanted)].flatMap((step) => step.found ?? []);
    expect(broken.find((one) => one.law === law)?.found).toContain(found);
    // And of a sound one it says nothing.
    expect(
      [...auditSet(setOf({ code: shapes.signed }), kinds, wanted)].flatMap((step) => step.found ?? []),
    ).toEqual([]);
  });

  test('a definition without a function, or with a sort of characters that is none, is refused at its place', () => {
    const faults = (entry: object) => {
      const read = readDocument(setOf(entry), kinds);
      return read.ok ? [] : read.faults.map(({ path, message }) => `${path} ${message}`);
    };
    expect(faults({})).toMatchObject([expect.stringContaining('$.fields[0].entry')]);
    expect(faults({ code: 'const a = 1;' })).toEqual([
      '$.fields[0].entry.code Expected “export function shape(content)”, no import and no other export but “value”, in 20,000 characters at most.',
    ]);
    for (const code of [
      'import "x";\nexport function shape() {}',
      'export default 1; export const shape = 1;',
      'const shape = 1; export { shape };',
      '// export function shape',
    ])
      expect(faults({ code }), code).toHaveLength(1);
    expect(faults({ code: shapes.plain, takes: '3 digit' })).toMatchObject([
      '$.fields[0].entry.takes Enter one character class without a count.',
    ]);
    expect(faults({ code: shapes.plain, takes: 'didgit' })).toHaveLength(1);
    expect(faults({ code: shapes.plain, takes: 'digit> <digit' })).toHaveLength(1);
    expect(faults({ code: shapes.plain, length: { min: 5, max: 2 } })).toHaveLength(1);
  });
});

describe('where the function answers later', () => {
  /** Answers what has been asked for only once it is let. */
  function later(
    answer: (content: string) => Shaped = (content) => ({ shown: content.replace(/(..)(?=.)/g, '$1 ') }),
  ) {
    const known = new Set<string>();
    const asked = new Set<string>();
    return {
      run: ((_, content) => {
        asked.add(content);
        return known.has(content) ? answer(content) : undefined;
      }) satisfies RunShape,
      answer: () => {
        for (const one of asked) known.add(one);
      },
    };
  }

  test('what was typed stands there meanwhile; then it is laid out, and the caret keeps its place', () => {
    const { run, answer } = later();
    const field = fieldOf({ code: shapes.plain }, run);
    let state = keysOf('1234').reduce(
      (was, key) => apply(field, was, key),
      apply(field, start(field), { type: 'focus' }),
    );
    state = apply(field, state, { type: 'select', start: 2, end: 2 });
    state = apply(field, state, { type: 'key', text: '9' });
    expect(state).toMatchObject({ start: 3, body: { display: '12934', complete: false } });
    // It is no mistake: nothing is said of it.
    expect(evaluate(field, { ...state, touched: true }).shown).toEqual([]);
    expect(apply(field, state, { type: 'invalidate' }).body).toBe(state.body);
    answer();
    state = apply(field, state, { type: 'invalidate' });
    expect(state).toMatchObject({ start: 4, body: { display: '12 93 4', complete: true } });
    // States from before are laid out when they come back.
    answer();
    state = apply(field, state, { type: 'undo' });
    state = apply(field, state, { type: 'invalidate' });
    expect(state.body.display).toBe('12 34');
    expect(apply(field, state, { type: 'redo' }).body.display).toBe('12 93 4');
  });

  test('a definition as JSON holds its code, and shows what was typed where nothing runs it', () => {
    const field = compile(setOf({ code: shapes.fours }), kinds).fields[0]!;
    const json = JSON.parse(JSON.stringify(dehydrate(field)));
    expect(json.plan.code).toBe(shapes.fours);
    const opened = { ...field, ...json, kind: field.kind };
    const typed = keysOf('12345').reduce((was, key) => apply(opened, was, key), start(opened));
    expect(typed.body.display).toBe('12345');
    expect(customFormatBy(plainly()).parse(json.plan, '12345').body.display).toBe('1234 5');
  });

  test('a paste of which nobody could say yet what is fixed comes to what it would have come to', () => {
    const { run, answer } = later((content) => ({ shown: `K4-${content}` }));
    const field = fieldOf({ code: shapes.plain }, run);
    const focused = apply(field, start(field), { type: 'focus' });
    const settled = (from: typeof focused, text: string) => {
      let state = apply(field, from, { type: 'paste', text });
      for (let round = 0; round < 3; round++) {
        answer();
        state = apply(field, state, { type: 'invalidate' });
      }
      return state;
    };
    expect(apply(field, focused, { type: 'paste', text: 'K4-123' }).body).toMatchObject({
      display: '4123',
      is: 'waiting',
    });
    expect(settled(focused, 'K4-123')).toMatchObject({
      start: 6,
      leftOut: '',
      body: { display: 'K4-123', content: '123' },
    });
    // The same once it is known; and a text that does not begin so stays whole.
    expect(apply(field, focused, { type: 'paste', text: 'k4 - 12' }).body.content).toBe('12');
    const other = later((content) => ({ shown: `K4-${content}` }));
    const again = fieldOf({ code: shapes.plain }, other.run);
    let state = apply(again, apply(again, start(again), { type: 'focus' }), { type: 'paste', text: '4123' });
    for (let round = 0; round < 3; round++) {
      other.answer();
      state = apply(again, state, { type: 'invalidate' });
    }
    expect(state.body).toMatchObject({ display: 'K4-4123', content: '4123', is: 'shaped' });
    // What was put before what stands there already, too.
    const typed = settled(apply(field, state, { type: 'select', start: 3, end: 5 }), 'K4-9');
    expect(typed.body.content).toBe('923');
  });

  test('what is typed over a selection asks for what comes of it, and for nothing in between', () => {
    const asked: string[] = [];
    const field = fieldOf({ code: shapes.plain }, (_, content) => {
      asked.push(content);
      return { shown: content };
    });
    let state = apply(field, start(field), { type: 'paste', text: '12345' });
    state = apply(field, state, { type: 'select', start: 1, end: 4 });
    asked.length = 0;
    expect(apply(field, state, { type: 'key', text: '9' }).body.content).toBe('195');
    expect(apply(field, state, { type: 'paste', text: '88' }).body.content).toBe('1885');
    expect(asked).toEqual(['195', '1885']);
  });

  test('a submit waits for it; no server takes a record with a shape nobody has run', async () => {
    const set = { ...setOf({ code: shapes.fours }), forms: [{ id: 'f', fields: ['key'] }] };
    const { run, answer } = later();
    const slow = withCustomCode(compile(set, kinds), code(run)).forms[0]!;
    const put: FormEvent = { type: 'field', field: 'key', event: { type: 'paste', text: '12345' } };
    let state = applyToForm(slow, applyToForm(slow, startForm(slow), put, ''), { type: 'submit' }, '');
    expect(state.sending.is).toBe('waiting');
    answer();
    state = applyToForm(slow, state, { type: 'field', field: 'key', event: { type: 'invalidate' } }, '');
    expect(state.sending.is).toBe('sending');
    const bare = compile(set, kinds);
    expect(await checkRecord(bare.forms[0]!, { key: '12345' }, '')).toEqual({
      ok: false,
      findings: [
        {
          field: 'key',
          code: 'shape-broken',
          message: 'Something went wrong on our side. Please try again later.',
        },
      ],
    });
    const ready = withCustomCode(bare, code(plainly())).forms[0]!;
    expect(await checkRecord(ready, { key: '12345' }, '')).toMatchObject({
      ok: true,
      record: { values: { key: '12345' } },
    });
  });

  test('displays are told apart by another content; where the two are laid out otherwise, not', () => {
    expect(toldApart('+44 44', ['4', '4'], '+44 55', ['5', '5'])).toEqual([4, 5]);
    expect(toldApart('44-4', ['4', '4'], '5-54', ['5', '5'])).toBeUndefined();
    expect(toldApart('44', ['4'], '455', ['5'])).toBeUndefined();
  });
});
