import fc from 'fast-check';
import { expect, test } from 'vitest';
import { apply, start } from '../field/apply.ts';
import type { FieldEvent, FieldState } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import { walk } from '../prove/arbitraries.ts';
import { actionsFor, compiledOf, kindNames, sketchOf } from '../prove/kinds.ts';
import { parseTape } from './parse-tape.ts';
import { play } from './play.ts';
import { writeEvents } from './write-events.ts';

const runs = {
  numRuns: Number(process.env.ARBEIT_RUNS ?? 60),
  seed: Number(process.env.ARBEIT_SEED ?? 20270210),
};

test.each(kindNames)('what happened to a field of %s, written down and played, leads to the same', (kind) => {
  fc.assert(
    fc.property(sketchOf(kind), actionsFor(kind), (from, actions) => {
      const field = compiledOf(from);
      const events = moving(field, [{ type: 'focus' }, ...walk(field, actions).map(({ event }) => event)]);
      // What is done without the focus a tape does with it, and nobody comes to a field who is in it.
      fc.pre(isFocusedAll(events));
      const end = events.reduce<FieldState>((state, event) => apply(field, state, event), start(field));
      const read = parseTape(`field ${field.id}\n${writeEvents(events).join('\n')}\n`);
      if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
      const played = play({ fields: [field], forms: [] }, read.tape);
      if ('message' in played) throw new RangeError(played.message);
      const last = played.rows.at(-1)!;
      expect([last.display, last.caret, last.raw]).toEqual([end.body.display, [end.start, end.end], field.kind.raw(field.plan, end.body)]);
    }),
    runs,
  );
}); // biome-ignore format: a line each

/** Events without carets that are put where they are: nobody does that, and no page tells of it. */
function moving(field: HydratedField, events: readonly FieldEvent[]): readonly FieldEvent[] {
  let state: FieldState = start(field);
  return events.filter((event) => {
    const { start: from, end } = state;
    state = apply(field, state, event);
    return event.type !== 'select' || state.start !== from || state.end !== end;
  });
}

/** Whether everything a hand does is done in the field, which is come to from outside. */
function isFocusedAll(events: readonly FieldEvent[]): boolean {
  let focused = false;
  for (const { type } of events) {
    if (type === 'focus' && focused) return false;
    if (type === 'focus') focused = true;
    else if (type === 'leave') focused = false;
    else if (!focused && !['set', 'autofill', 'submit', 'reset'].includes(type)) return false;
  }
  return true;
}

test('keys in a row are one line, of caret moves in a row the first and the last, and what no hand does is none', () => {
  const key = (text: string): FieldEvent => ({ type: 'key', text });
  const caret = (at: number): FieldEvent => ({ type: 'select', start: at, end: at });
  expect(
    writeEvents([
      { type: 'focus' },
      key('1'),
      { type: 'invalidate' },
      key('"'),
      caret(1),
      { type: 'ask', id: 'x', rule: 'r' },
      caret(0),
      { type: 'select', start: 0, end: 2 },
      { type: 'backspace' },
      { type: 'leave' },
    ]),
  ).toEqual(['focus', 'type "1\\""', 'caret 1', 'select 0 2', 'backspace', 'leave']);
  expect(writeEvents([caret(1), caret(2), caret(3), caret(3), key('a'), caret(3), caret(3)])).toEqual([
    'caret 1',
    'caret 3',
    'type "a"',
    'caret 3',
  ]);
});
