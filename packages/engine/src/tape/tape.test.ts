import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compile, withCustomCode } from '../document/compile.ts';
import type { SetDocument } from '../document/document.ts';
import { plainly } from '../kinds/custom/plainly.fixture.ts';
import { kinds } from '../kinds/registry.ts';
import { marked } from './marked.ts';
import { headSpellings, parseTape } from './parse-tape.ts';
import { play } from './play.ts';
import type { Action } from './script.ts';
import { expectationOf, subjectSpellings } from './subjects.ts';
import { holds, runTrial, trialTape } from './trial.ts';
import { actionSpellings, type Described, writeAction } from './verbs.ts';

const demo = new URL('../../../../apps/studio/demo/', import.meta.url);
const document = JSON.parse(readFileSync(new URL('ridge-huts.arbeit.json', demo), 'utf8')) as SetDocument;
const set = withCustomCode(compile(document, kinds), { check: () => undefined, shape: plainly() });

const tapeOf = (...lines: string[]) => {
  const read = parseTape(lines.join('\n'));
  if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
  return read.tape;
};
const played = (...lines: string[]) => {
  const result = play(set, tapeOf(...lines));
  if ('message' in result) throw new RangeError(result.message);
  return result;
};

describe('the demo’s trials hold', () => {
  test.each(document.trials!)('$id', (trial) => {
    const outcome = runTrial(set, trial);
    expect(outcome).toMatchObject({ misses: [], faults: [], name: trial.name });
    expect(holds(outcome)).toBe(true);
    expect(outcome.expected).toBeGreaterThan(2);
  });
});

describe('a trial', () => {
  const own = (tape: string) => runTrial(set, { id: 'own', tape });
  test('tells each expectation that did not hold, and what was there', () => {
    expect(own('field key-box\ntype "12"\nexpect raw "13"\nexpect display "12|"')).toMatchObject({
      name: 'Untitled',
      expected: 2,
      misses: [{ line: 3, source: 'expect raw "13"', expected: '"13"', found: '"12"' }],
      rows: [{ line: 2, display: '12' }],
    });
  });
  test.each([
    ['a tape that cannot be read', 'field key-box\ntyp "1"', 2, /type/],
    ['a field that is not there', 'field nobody\nexpect codes none', 1, /no field "nobody"/],
    ['a rule that is not there', 'field key-box\nexpect verdict odd pass', 2, /odd/],
  ])('%s is told with its place, and does not hold', (_, tape, line, why) => {
    const outcome = own(tape);
    expect(outcome.faults).toEqual([expect.objectContaining({ line, message: expect.stringMatching(why) })]);
    expect(holds(outcome)).toBe(false);
  });
  test('that expects nothing does not hold: nothing could go wrong in it', () => {
    expect(holds(own('field key-box\ntype "12"'))).toBe(false);
  });
  test('by itself is a tape that says what it is called, and what for', () => {
    const one = {
      id: 'a',
      name: 'A "b"',
      why: 'Because.\n\nAnd so.',
      tape: 'field key-box\nexpect codes none\n\n',
    };
    const text = trialTape(one);
    expect(text).toBe('tape "A \\"b\\""\n# Because.\n# And so.\nfield key-box\nexpect codes none\n');
    expect(parseTape(text)).toMatchObject({ ok: true, tape: { title: 'A "b"' } });
    expect(trialTape({ id: 'a', tape: text })).toBe(text);
  });
});

describe('the table of the contract, for (<3 digit>) <3 digit>-<4 digit>', () => {
  const phone = {
    id: 'phone',
    kind: 'pattern' as const,
    label: 'Phone',
    entry: { pattern: '(<3 digit>) <3 digit>-<4 digit>' },
  };
  const both = compile(
    {
      arbeit: 2,
      title: 'Contract',
      locale: 'en-GB',
      fields: [
        phone,
        { ...phone, id: 'ahead', entry: { ...phone.entry, literals: 'ahead' } },
        { ...phone, id: 'gap', entry: { pattern: '<2 latin>-<4 digit>/<2 "0-9A-F">' } },
        { ...phone, id: 'vary', entry: { pattern: '<2-4 digit>-<2 digit>' } },
        {
          ...phone,
          id: 'fixed',
          entry: { pattern: '<0-3 letter>-<0-3 digit>-<0-2 alnum>', positions: 'fixed' },
        },
      ],
    },
    kinds,
  );
  test.each<[string, string[]]>([
    ['phone', ['type "555"', 'expect display "(555|"', 'type "0"', 'expect display "(555) 0|"']],
    [
      'phone',
      [
        'type "5550123456"',
        'caret 7',
        'backspace',
        'expect display "(555) |123-456"',
        'backspace',
        'expect display "(55|1) 234-56"',
        'type "9"',
        'expect display "(559|) 123-456"',
      ],
    ],
    ['phone', ['type "555123456"', 'caret 4', 'delete', 'expect display "(555|) 234-56"']],
    ['phone', ['type "5550123456"', 'type "7"', 'expect display "(555) 012-3456|"', 'expect rejected full']],
    [
      'phone',
      [
        'paste "555.012.3456 x9"',
        'expect display "(555) 012-3456|"',
        'expect left-out "x9"',
        'expect rejected none',
      ],
    ],
    ['ahead', ['type "555"', 'expect display "(555) |"', 'backspace', 'expect display "(55|"']],
    [
      'gap',
      [
        'type "AB1234FF"',
        'caret 5',
        'backspace',
        'expect display "AB-1|34/FF"',
        'type "9"',
        'expect display "AB-19|34/FF"',
      ],
    ],
    ['gap', ['type "AB1234FF"', 'caret 4', 'delete', 'caret 6', 'type "9"', 'expect display "AB-1349|/FF"']],
    ['vary', ['type "12-34"', 'expect display "12-34|"', 'expect value "12-34"']],
    [
      'fixed',
      [
        'focus',
        'expect display "|___-___-__"',
        'type "Qq 78"',
        'expect display "Qq_-78|_-__"',
        'expect raw "Qq 78"',
      ],
    ],
  ])('%s: %j', (id, lines) => {
    const result = play(both, tapeOf(`field ${id}`, ...lines));
    expect(result).toMatchObject({ misses: [] });
  });
});

describe('playing', () => {
  test('an expectation that does not hold is told with what was there', () => {
    const { misses } = played(
      'field key-box',
      'type "12"',
      'expect display "1|3"',
      'expect flags complete !dirty',
      'expect verdict trivial fail',
      'expect value "12"',
    );
    expect(misses).toEqual([
      { line: 3, source: 'expect display "1|3"', expected: '"1|3"', found: '"12|"' },
      {
        line: 4,
        source: 'expect flags complete !dirty',
        expected: 'complete !dirty',
        found: '!complete dirty',
      },
      { line: 5, source: 'expect verdict trivial fail', expected: 'fail', found: 'pass' },
      { line: 6, source: 'expect value "12"', expected: '"12"', found: 'null' },
    ]);
  });
  test('an action that several keys make up reports a refusal among them', () => {
    expect(played('field key-box', 'type "1x2"').rows[0]).toMatchObject({
      display: '12',
      rejected: 'not-accepted',
    });
  });
  test('a bar in the text is written \\\\|', () => {
    expect(marked('a|b', [1, 1])).toBe('a|\\|b');
    const bar = compile(
      {
        arbeit: 2,
        title: 'Bar',
        locale: 'en',
        fields: [{ id: 'b', kind: 'pattern', label: '', entry: { pattern: '<digit>|<digit>' } }],
      },
      kinds,
    );
    expect(play(bar, tapeOf('field b', 'type "12"', 'expect display "1\\\\|2|"'))).toMatchObject({
      misses: [],
    });
  });
  test('a hand focuses the field it types into; the program and the browser need not', () => {
    const { rows } = played('field key-box', 'set "1234"', 'autofill "5678"', 'backspace', 'leave');
    expect(rows.map(({ display, flags }) => [display, flags.focused, flags.touched])).toEqual([
      ['1234', false, false],
      ['5678', false, false],
      ['567', true, false],
      ['567', false, true],
    ]);
  });
  test('arrows collapse a selection, then move by characters', () => {
    const { rows } = played(
      'field warden',
      'type "555"',
      'select 1 3',
      'left',
      'right 2',
      'select 1 3',
      'right',
      'left 9',
    );
    expect(rows.map((row) => row.caret)).toEqual([
      [4, 4],
      [1, 3],
      [1, 1],
      [3, 3],
      [1, 3],
      [3, 3],
      [0, 0],
    ]);
  });
  test('a tape that does not go with its document says where', () => {
    expect(play(set, tapeOf('field nobody', 'focus'))).toMatchObject({
      line: 1,
      message: expect.stringContaining('nobody'),
    });
    expect(play(set, tapeOf('form booking', 'focus key-box'))).toMatchObject({ line: 2 });
    expect(play(set, tapeOf('field key-box', 'expect verdict nothing pass'))).toMatchObject({ line: 2 });
  });
});

describe('faults of a tape, by line and column', () => {
  test.each<[string, number, number, RegExp]>([
    ['field a\ntpye "x"', 2, 1, /Did you mean "type"/],
    ['field a\ntype x', 2, 6, /text in double quotes/],
    ['field a\ntype "x', 2, 6, /not closed/],
    ['field a\ntype "\\q"', 2, 6, /escape/],
    ['field a\nbackspace soon', 2, 11, /how many times/],
    ['field a\nselect 1', 2, 9, /where it ends/],
    ['field a\nwait 3', 2, 6, /300ms/],
    ['field a\nfocus b c', 2, 9, /end of the line/],
    ['field a\nexpect dispaly "x"', 2, 8, /Did you mean "display"/],
    ['field a\nexpect verdict r maybe', 2, 18, /pass, open or fail/],
    ['field a\nexpect flags happy', 2, 19, /Unknown flag/],
    ['field a\nexpect rejected why', 2, 17, /not-accepted/],
    ['field a\nexpect codes', 2, 13, /or none/],
    ['field a\ntoday 2027-02-30', 2, 7, /not a date/],
    ['field a\nfield b', 2, 1, /only one/],
    ['focus', 1, 1, /field phone/],
  ])('%j', (source, line, column, message) => {
    expect(parseTape(source)).toMatchObject({
      ok: false,
      faults: [{ line, column, message: expect.stringMatching(message) }],
    });
  });
  test('comments, blank lines and a bar of its own in a text', () => {
    expect(
      tapeOf('# a tape', '', 'tape "T" # named', 'field a', 'type "#|"  # types both').steps,
    ).toMatchObject([{ do: 'type', text: '#|', line: 5 }]);
  });
});

describe('a form that asks and is sent', () => {
  const stay = compile(
    {
      arbeit: 2,
      title: 'Stay',
      locale: 'en-GB',
      fields: [
        { id: 'pass', kind: 'pattern', label: 'Pass', entry: { pattern: '<2 digit>' }, rules: [{ id: 'known', check: { type: 'remote', ask: '/passes' } }] },
        { id: 'box', kind: 'pin', label: 'Box', entry: {}, rules: [{ id: 'quick', check: { type: 'remote', ask: '/boxes', on: 'pause' } }] },
        { id: 'note', kind: 'text', label: 'Note', entry: {}, when: { field: 'pass', is: '42' }, rules: [{ id: 'needed', check: { type: 'required' } }] },
      ],
      forms: [{ id: 'stay', fields: ['pass', 'box', 'note'] }],
    } as SetDocument, // biome-ignore format: a field a line
    kinds,
  );
  const missesOf = (...lines: string[]) => {
    const result = play(stay, tapeOf('form stay', ...lines));
    if ('message' in result) throw new RangeError(result.message);
    return result.misses;
  };

  test('plays with the answers the tape gives', () => {
    expect(
      missesOf(
        'focus pass',
        'type "42"',
        'expect asks known none',
        'submit',
        'expect focus note',
        'expect note codes required',
        'type "x"',
        'expect asks known "42"',
        'submit',
        'expect pass flags pending',
        'expect submitted none',
        'answer known fail expired',
        'expect pass codes expired',
        'expect focus pass',
        'set "43"',
        'expect pass codes none',
        'submit',
        'unreachable known',
        'expect pass codes unreachable',
        'backspace',
        'type "4"',
        'submit',
        'answer known pass',
        'expect submitted',
        'expect record {"box": null, "pass": "44"}',
        'sent pass full',
        'expect pass codes full',
        'expect submitted none',
      ),
    ).toEqual([]);
  });

  test('asks on a pause once the tape waits', () => {
    expect(
      missesOf(
        'focus box',
        'type "4815"',
        'expect asks quick none',
        'wait 500ms',
        'expect asks quick "4815"',
      ),
    ).toEqual([]);
  });

  test('says what was found where it is not as expected', () => {
    const found = missesOf('set "43"', 'expect focus pass', 'expect record {}', 'expect asks known "1"').map(
      (miss) => miss.found,
    );
    expect(found).toEqual(['none', 'none', 'null']);
  });

  test.each([
    ['answer known maybe', 'Expected pass or fail.'],
    ['answer', 'Expected the id of a rule.'],
    ['sent pass', 'Expected the code of what is wrong with it.'],
    ['expect record [1]', 'Expected the record as JSON'],
    ['expect submitted soon', 'Expected the end of the line, or none.'],
    ['expect focus', 'Expected the id of a field, or none.'],
  ])('%s is told at its place', (line, message) => {
    const read = parseTape(`form stay\n${line}`);
    expect(!read.ok && read.faults).toMatchObject([{ line: 2, message: expect.stringContaining(message) }]);
  });

  test.each([
    ['answer known pass', /no pending server check/],
    ['sent', /Nothing is being sent/],
  ])('%s where nothing waits for it does not go with the document', (line, message) => {
    const result = play(stay, tapeOf('form stay', line));
    expect('message' in result && result.message).toMatch(message);
  });
});

describe('what a row shows, as a line that expects it', () => {
  const rows = played('field key-box', 'type "1"', 'leave').rows;
  test.each([
    ['display', 'expect display "1|"'],
    ['raw', 'expect raw "1"'],
    ['value', 'expect value null'],
    ['codes', 'expect codes incomplete'],
    ['message', 'expect message "Please complete this field."'],
    ['flags', 'expect flags !focused touched dirty !complete !valid !pending'],
    ['rejected', 'expect rejected none'],
    ['left-out', 'expect left-out ""'],
    ['focus', 'expect focus none'],
    ['submitted', 'expect submitted none'],
  ] as const)('%s', (what, line) => {
    expect(expectationOf(rows[1]!, what)).toBe(line);
    // It can be read, and holds where it was taken from.
    expect(played('field key-box', 'type "1"', 'leave', line).misses).toEqual([]);
  });

  test('in a form it names its field; of the flags those alone that differ', () => {
    expect(expectationOf(rows[1]!, 'raw', { isForm: true })).toBe('expect key-box raw "1"');
    expect(expectationOf(rows[1]!, 'focus', { isForm: true })).toBe('expect focus none');
    expect(expectationOf(rows[1]!, 'flags', { against: rows[0]! })).toBe('expect flags !focused touched');
  });

  test('actions are written as they are read', () => {
    const lines = ['focus', 'type "1\\"\\n"', 'paste "x"', 'caret 3', 'select 1 2', 'select all', 'backspace', 'left 2', 'undo', 'wait 300ms', 'answer right fail spent', 'answer right pass', 'unreachable right', 'sent', 'sent key-box wrong', 'submit']; // biome-ignore format: a list
    const { steps } = tapeOf('form booking', ...lines);
    expect(steps.map((step) => writeAction(step as Action))).toEqual(lines);
  });
});

describe('every action that can be written can be read again', () => {
  const text = fc.string({ unit: 'grapheme' });
  const times = fc.integer({ min: 0, max: 999_999 });
  const id = fc.stringMatching(/^[a-z][a-z0-9-]{0,9}$/);
  const fields: { readonly [D in Action['do']]: fc.Arbitrary<Omit<Action & { readonly do: D }, 'do'>> } = {
    focus: fc.record({ field: id }, { requiredKeys: [] }),
    leave: fc.constant({}),
    submit: fc.constant({}),
    reset: fc.constant({}),
    wait: fc.record({ milliseconds: times }),
    answer: fc.oneof(
      fc.record({ rule: id, verdict: fc.constantFrom('pass', 'fail'), code: id }, { requiredKeys: ['rule', 'verdict'] }),
      fc.record({ rule: id, verdict: fc.constant('unreachable' as const) }),
    ),
    sent: fc.oneof(fc.constant({}), fc.record({ field: id, code: id })),
    type: fc.record({ text }),
    insert: fc.record({ text }),
    paste: fc.record({ text }),
    autofill: fc.record({ text }),
    set: fc.record({ text }),
    backspace: fc.record({ times }),
    delete: fc.record({ times }),
    'word-backspace': fc.record({ times }),
    left: fc.record({ times }),
    right: fc.record({ times }),
    up: fc.record({ times }),
    down: fc.record({ times }),
    cut: fc.constant({}),
    home: fc.constant({}),
    end: fc.constant({}),
    undo: fc.constant({}),
    redo: fc.constant({}),
    select: fc.record({ start: times, end: times }),
    'select-all': fc.constant({}),
  }; // biome-ignore format: a table

  test.each(Object.entries(fields))('%s', (name, arguments_) => {
    fc.assert(
      fc.property(arguments_ as fc.Arbitrary<object>, (more) => {
        const action = { do: name, ...more } as Action;
        const line = writeAction(action);
        const read = parseTape(`field a\n${line}`);
        expect(read).toEqual({
          ok: true,
          tape: {
            title: 'Untitled',
            target: { type: 'field', id: 'a' },
            steps: [{ line: 2, source: line.trim(), ...action }],
          },
        });
      }),
      { seed: 20270210, numRuns: 60 },
    );
  });
});

test('the example in docs/tapes.md plays', () => {
  const page = readFileSync(new URL('../../../../docs/tapes.md', import.meta.url), 'utf8');
  const example = page.match(/^ {4}.*$/gm)!.map((line) => line.trim());
  const entry = { pattern: '<8 digit>' };
  const one = compile(
    { arbeit: 2, title: 'T', locale: 'en-GB', fields: [{ id: 'phone', kind: 'pattern', label: 'P', entry }] },
    kinds,
  );
  const played = play(one, tapeOf(...example));
  expect(played).toMatchObject({ misses: [], rows: [{ rejected: 'not-accepted' }] });
});

test('docs/tapes.md lists every line that a tape can have', async () => {
  const table = (lines: readonly Described[], before = ''): string[] => [
    '| line | meaning |',
    '| --- | --- |',
    ...lines.map(
      ({ word, takes, says }) =>
        `| \`${`${before}${word} ${takes}`.trim().replaceAll('|', '\\|')}\` | ${says.replaceAll('|', '\\|')} |`,
    ),
    '',
  ];
  const page = [
    '# Tapes',
    '',
    'A tape plays what a person does to a field or a form, and what is expected after it. Each line is one action or one expectation; `#` starts a comment.',
    'How trials use tapes is in [trials and proof](trials.md). This page is written from the tables of the engine (`packages/engine/src/tape`) by the tests:',
    '`npx vitest run packages/engine/src/tape -u`.',
    '',
    '    tape "A wrong key is rejected"',
    '    field phone',
    '    type "7700x"',
    '    expect display "7700|"',
    '    expect rejected not-accepted',
    '',
    '## What it is about',
    '',
    ...table(headSpellings),
    '## Actions',
    '',
    'In square brackets: may be left out. A number left out is 1.',
    '',
    ...table(actionSpellings),
    '## Expectations',
    '',
    'In the tape of a form, the id of a field may stand before what is expected: `expect phone raw "7700"`.',
    '',
    ...table(subjectSpellings, 'expect '),
  ];
  await expect(page.join('\n')).toMatchFileSnapshot('../../../../docs/tapes.md');
});
