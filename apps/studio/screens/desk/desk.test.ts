import { compileField } from '@arbeit/engine/document';
import type { FieldEvent, Plan, RunShape, TextState } from '@arbeit/engine/field';
import { apply, evaluate, keysOf, start, withFormat } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import type { PatternBody } from '@arbeit/engine/kinds/pattern';
import { lay, parseNotation, sampleCells } from '@arbeit/engine/kinds/pattern';
import { actions, fieldOf, sketch, walk } from '@arbeit/engine/prove';
import { type Expectable, parseTape, play } from '@arbeit/engine/tape';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boundaryFor, columnsOf, place } from './columns.ts';
import type { Expects } from './expects.ts';
import { phoneKeys } from './phone-keys.ts';
import { answered, type DeskTape, mostRows, newTape, recordRow, replay } from './tape-rows.ts';
import { tapeText } from './tape-text.ts';

describe('the column grid', () => {
  test('every pattern has a sample that it would show itself, whole, one character a column', () => {
    fc.assert(
      fc.property(sketch, (from) => {
        const { plan } = fieldOf(from);
        const sample = sampleCells(plan);
        const body = lay(plan, sample, undefined);
        expect(body.complete).toBe(true);
        const { columns } = columnsOf(parseNotation(from.pattern).nodes, plan, sample);
        expect(columns.map((column) => column.character).join('')).toBe(body.display);
      }),
      { seed: 20270210, numRuns: 800 },
    );
  });
  test('whatever is displayed stands in the columns, in order, each character once', () => {
    fc.assert(
      fc.property(sketch, actions, (from, tape) => {
        const field = fieldOf(from);
        const { columns } = columnsOf(parseNotation(from.pattern).nodes, field.plan, sampleCells(field.plan));
        for (const { after } of walk(field, tape)) {
          const placed = place(field.plan, after.body, columns);
          expect(placed.map((standing) => standing?.character ?? '').join('')).toBe(after.body.display);
          expect(placed.flatMap((standing) => (standing?.content ? [standing.character] : [])).join('')).toBe(
            after.body.content,
          );
          const offsets = placed.flatMap((standing) => (standing ? [standing.offset] : []));
          expect(offsets).toEqual([...offsets].sort((a, b) => a - b));
        }
      }),
      { seed: 20270210, numRuns: 800 },
    );
  });
  test('the caret stands at the boundary of the character it is before', () => {
    const field = compileField(
      { id: 'f', kind: 'pattern', label: '', entry: { pattern: '<2-4 digit>-<2 digit>' } },
      { locale: 'en' },
      kinds,
    );
    const { columns } = columnsOf(
      parseNotation('<2-4 digit>-<2 digit>').nodes,
      field.plan,
      sampleCells(field.plan),
    );
    const state = keysOf('12-34').reduce((s, key) => apply(field, s, key), start(field));
    const placed = place(field.plan, state.body, columns);
    // 1 2 _ _ - 3 4: the cells that stayed out keep their columns.
    expect([0, 1, 2, 3, 4, 5].map((offset) => boundaryFor(offset, placed))).toEqual([0, 1, 2, 5, 6, 7]);
  });
});

describe('the desk’s tape', () => {
  const field = compileField(
    { id: 'pin', kind: 'pattern', label: '', entry: { pattern: '<4 digit>' } },
    { locale: 'en' },
    kinds,
  );
  const recorded = (events: readonly FieldEvent[]): DeskTape => {
    let state = start(field);
    return events.reduce((tape, event) => {
      state = apply(field, state, event);
      return recordRow(tape, field, event, state, null, evaluate);
    }, newTape(state));
  };
  test('caret moves in a row are one row', () => {
    const { rows } = recorded([
      { type: 'focus' },
      ...keysOf('12'),
      { type: 'select', start: 1, end: 1 },
      { type: 'select', start: 0, end: 0 },
    ]);
    expect(rows.map((row) => row.event.type)).toEqual(['focus', 'key', 'key', 'select']);
    expect(rows.at(-1)!.state.start).toBe(0);
  });
  test('going on from an earlier row replaces what came after it', () => {
    const tape = recorded([{ type: 'focus' }, ...keysOf('123')]);
    const next = apply<Plan, TextState>(field, tape.rows[1]!.state, { type: 'key', text: '9' });
    const again = recordRow(tape, field, { type: 'key', text: '9' }, next, 1, evaluate).rows;
    expect(again.map((row) => row.evaluation.display)).toEqual(['', '1', '19']);
    expect(new Set(again.map((row) => row.id)).size).toBe(3);
  });
  test('on another definition the same keys are played again', () => {
    const wider = compileField(
      { id: 'pin', kind: 'pattern', label: '', entry: { pattern: '<2 digit>-<3 digit>' } },
      { locale: 'en' },
      kinds,
    );
    const { rows } = replay(
      recorded([{ type: 'focus' }, ...keysOf('12345'), { type: 'backspace' }]),
      field,
      wider,
      evaluate,
    );
    expect(rows.map((row) => row.evaluation.display)).toEqual([
      '',
      '1',
      '12',
      '12-3',
      '12-34',
      '12-345',
      '12-34',
    ]);
    expect(rows.every((row) => (row.state.body as PatternBody).cells.length === 5)).toBe(true);
  });
  test('a tape that is full forgets its oldest rows, and still plays from where it then begins', () => {
    const full = recorded(
      Array.from(
        { length: mostRows + 40 },
        (_, i): FieldEvent => (i % 5 < 4 ? { type: 'key', text: String(i % 5) } : { type: 'set', text: '' }),
      ),
    );
    expect(full.rows.length).toBe(mostRows);
    expect(replay(full, field, field, evaluate).rows.map((row) => row.evaluation.display)).toEqual(
      full.rows.map((row) => row.evaluation.display),
    );
  });
  test('as text it plays again, and its expectations hold', () => {
    const tape = recorded([
      { type: 'focus' },
      ...keysOf('12'),
      { type: 'backspace' },
      { type: 'paste', text: '3"4' },
      { type: 'leave' },
    ]);
    const read = parseTape(tapeText({ title: 'A "try"', fieldId: 'pin', today: '2027-02-10' }, field, tape));
    expect(read).toMatchObject({ ok: true });
    const played = read.ok && play({ fields: [field], forms: [] }, read.tape);
    expect(played).toMatchObject({ misses: [] });
    expect(played && 'rows' in played && played.rows.length).toBe(5);
  });

  test('what is expected where is kept, changed or dropped; without anything expected it is a tape and no trial', () => {
    const tape = recorded([{ type: 'focus' }, { type: 'key', text: '1' }, { type: 'key', text: 'x' }, { type: 'leave' }]); // biome-ignore format: a tape
    const [, first, second, last] = tape.rows;
    const head = { fieldId: 'pin', today: '2027-02-10' };
    const expects: Expects = new Map<number, ReadonlySet<Expectable>>([
      [first!.id, new Set<Expectable>(['display', 'flags'])],
      [second!.id, new Set<Expectable>(['rejected'])],
      [last!.id, new Set<Expectable>(['message'])],
    ]);
    const text = tapeText(head, field, tape, expects);
    const lines = text.split('\n');
    expect(lines.filter((line) => line.startsWith('expect'))).toEqual([
      'expect display "1|"', expect.stringMatching(/^expect flags focused !touched dirty/), 'expect rejected not-accepted', expect.stringMatching(/^expect message "/),
    ]); // biome-ignore format: a line each
    expect(lines).toContain('type "1"');
    const read = parseTape(text);
    expect(read.ok && play({ fields: [field], forms: [] }, read.tape)).toMatchObject({ misses: [] });
    const none = tapeText(head, field, tape, new Map([[last!.id, new Set()]]));
    expect(none).not.toContain('expect');
    // Left alone, the last row is expected as it is seen, without a caret where nobody is in it.
    expect(tapeText(head, field, tape)).toMatch(
      /\nexpect display "1"\nexpect raw "1"\nexpect value null\nexpect codes /,
    );
  });
});

test('rows that waited for own code are told as if it had been known then; others stay as they are', () => {
  let isKnown = false;
  const run: RunShape = (_, content) =>
    isKnown ? { shown: content.replace(/(..)(?=.)/g, '$1-') } : undefined;
  const code = 'export function shape(content) { return content; }';
  const field = withFormat(
    compileField({ id: 'own', kind: 'custom', label: 'Own', entry: { code } }, { locale: 'en-GB' }, kinds),
    run,
  );
  const events: readonly FieldEvent[] = [
    { type: 'focus' },
    { type: 'paste', text: '12345' },
    { type: 'select', start: 2, end: 2 },
    { type: 'backspace' },
  ];
  let state = start(field);
  let tape = newTape(state);
  for (const event of events) {
    state = apply(field, state, event);
    tape = recordRow(tape, field, event, state, null, evaluate);
  }
  expect(tape.rows.map(({ evaluation }) => evaluation.display)).toEqual(['', '12345', '12345', '1345']);
  expect(answered(tape, field, evaluate).rows[1]).toEqual({
    ...tape.rows[1],
    state: expect.anything(),
    evaluation: tape.rows[1]!.evaluation,
  });
  isKnown = true;
  const told = answered(tape, field, evaluate);
  expect(told.rows.map(({ evaluation, state: { start: at } }) => [evaluation.display, at])).toEqual([
    ['', 0],
    ['12-34-5', 7],
    ['12-34-5', 2],
    ['13-45', 1],
  ]);
  expect(told.rows[0]).toBe(tape.rows[0]);
  // Once all of them are known nothing is told anew.
  expect(answered(told, field, evaluate)).toBe(told);
});

test.each([
  ['numeric', '1'],
  ['tel', '+'],
  ['decimal', '.'],
  ['email', '@'],
  ['', 'q'],
])('the keyboard for inputmode %j can type %s and take it back', (inputmode, character) => {
  const keys = phoneKeys(inputmode)!.flat();
  expect(keys.some((key) => key.types === character)).toBe(true);
  expect(keys.some((key) => key.does === 'backspace')).toBe(true);
});
test('inputmode none raises no keyboard', () => expect(phoneKeys('none')).toBeNull());
