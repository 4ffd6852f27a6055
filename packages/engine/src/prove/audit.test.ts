import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { compile } from '../document/compile.ts';
import { compileField } from '../document/compile-field.ts';
import type { FieldDocument, SetDocument } from '../document/document.ts';
import { apply, carryOut, start } from '../field/apply.ts';
import type { HydratedField, Kind } from '../field/kind.ts';
import type { TextState } from '../field/text-state.ts';
import { kinds } from '../kinds/registry.ts';
import { parseTape } from '../tape/parse-tape.ts';
import { play } from '../tape/play.ts';
import { auditField, type Counterexample, eventsOf } from './audit.ts';
import type { Law } from './law.ts';
import { subjectOf } from './law-subject.ts';
import { breachIn, typedAsPasted } from './laws-of-states.ts';
import { breachAt, type Memory } from './laws-of-steps.ts';

const today = '2027-02-10';
const demo = JSON.parse(
  readFileSync(new URL('../../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
) as SetDocument;
const definition: FieldDocument = {
  id: 'pass',
  kind: 'pattern',
  label: 'Pass',
  entry: { pattern: '<2 digit>-<2 digit>' },
};
const sound = compileField(definition, { locale: 'en-GB' }, kinds) as HydratedField;

/** All that an audit tells in so many events. */
function toldOf(field: HydratedField, most: number, course: Partial<Parameters<typeof auditField>[2]> = {}) {
  const found: Counterexample[] = [];
  let events = 0;
  for (const step of auditField(field, kinds, { seed: 1, today, ...course })) {
    events += step.events;
    if (step.found) found.push(step.found);
    if (events >= most) break;
  }
  return { found, events };
}

const freeText = compileField(
  {
    id: 'remark',
    kind: 'text',
    label: 'Remark',
    entry: {},
    rules: [{ id: 'whole', check: { type: 'complete' } }],
  },
  { locale: 'en-GB' },
  kinds,
) as HydratedField;

/** A field whose kind does one thing in another way. */
const faulty = (how: (kind: Kind) => Partial<Kind>, field = sound): HydratedField => ({
  ...field,
  kind: { ...field.kind, ...how(field.kind) },
});
/** Whether a tape shows that a law is broken: played anew, on nothing but that field. */
function shows(field: HydratedField, law: Law, lines: readonly string[]): boolean {
  const read = parseTape(`field ${field.id}\n${lines.join('\n')}\n`);
  if (!read.ok) throw new RangeError(lines.join('\n'));
  const subject = subjectOf(field, kinds, today);
  const memory: Memory = new Map();
  const but = new Set(([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] as const).filter((one) => one !== law));
  let state = start(field);
  let isFirst = true;
  for (const [at, step] of read.tape.steps.entries()) {
    if (step.do === 'expect') continue;
    try {
      for (const event of eventsOf(step, state, field)) {
        const before = state;
        state = apply(field, before, event);
        if (event.type === 'leave' || event.type === 'submit') isFirst = false;
        if (breachAt(subject, { before, event, after: state, isFirst }, memory, { isAll: true, but }))
          return true;
      }
      if (breachIn(subject, state, but)) return true;
      if (law === 8 && at === 0 && step.do === 'type') if (typedAsPasted(subject, step.text)) return true;
    } catch {
      return law === 11;
    }
  }
  return false;
}

/** A fault of each sort, and the laws one of which it breaks. */
const planted: readonly (readonly [string, readonly Law[], HydratedField])[] = [
  ['a display that depends on the way there', [1], faulty((kind) => ({
    key(plan, body, start, end, c) {
      const edited = kind.key(plan, body, start, end, c);
      return typeof edited === 'string' || start > 0 || !body.content ? edited : { ...edited, body: { ...edited.body, display: `${edited.body.display} ` } };
    },
  }), freeText)],
  ['a separator that a paste does not take back', [2, 6, 8, 12], faulty((kind) => ({
    insert: (plan, body, start, end, text) => kind.insert(plan, body, start, end, text.replace(/-.*/, '')),
  }))],
  ['a caret thrown to the end', [3, 5], faulty((kind) => ({
    key(...given) {
      const edited = kind.key(...given);
      return typeof edited === 'string' ? edited : { ...edited, caret: edited.body.display.length };
    },
  }))],
  ['a backspace that is stuck at the separator', [4], faulty((kind) => ({
    erase: (plan, body, start, end, extent) =>
      extent === 'character-left' && start === end && body.display[start - 1] === '-' ? { body, caret: start } : kind.erase(plan, body, start, end, extent),
  }))],
  ['a backspace that takes two', [4], faulty((kind) => ({
    erase(plan, body, start, end, extent) {
      const once = kind.erase(plan, body, start, end, extent);
      return extent === 'character-left' && start === end ? kind.erase(plan, once.body, once.caret, once.caret, extent) : once;
    },
  }))],
  ['a caret one too far after a deletion', [5, 11], faulty((kind) => ({
    erase(...given) {
      const edited = kind.erase(...given);
      return { ...edited, caret: Math.min(edited.caret + 1, edited.body.display.length) };
    },
  }))],
  ['a full field that pushes out its last character', [6], faulty((kind) => ({
    key(plan, body, start, end, c) {
      const edited = kind.key(plan, body, start, end, c);
      if (edited !== 'full' || start !== end || start >= body.display.length) return edited;
      const { length } = body.display;
      const less = kind.erase(plan, body, length, length, 'character-left').body;
      const more = kind.key(plan, less, Math.min(start, less.display.length), Math.min(start, less.display.length), c);
      return more;
    },
  }))],
  ['a paste that says nothing of what it leaves out', [6, 2], faulty((kind) => ({
    insert: (...given) => ({ ...kind.insert(...given), leftOut: '' }),
  }))],
  ['a verdict that depends on how the value came about', [9], faulty((kind) => ({
    insert(...given) {
      const taken = kind.insert(...given);
      return { ...taken, body: { ...taken.body, complete: false } };
    },
  }), freeText)],
  ['a value that is none', [11, 12], faulty(() => ({ value: (_: unknown, body: TextState) => (body.display ? `${body.display}?` : null) }))],
  ['a throw', [11], faulty((kind) => ({
    insert(plan, body, start, end, text) {
      if (text.length > 12) throw new RangeError('too long');
      return kind.insert(plan, body, start, end, text);
    },
  }))],
  ['a raw value that is not taken back', [12], faulty((kind) => ({
    parse: (plan, text) => kind.parse(plan, text.slice(0, 3)),
  }))],
  ['half an undo', [7], faulty(() => ({
    reduce(field, state, event) {
      const after = carryOut(field, state, event);
      return event.type === 'undo' ? { ...after, start: after.body.display.length, end: after.body.display.length } : after;
    },
  }))],
  ['a complaint while somebody types', [10], faulty(() => ({
    reduce(field, state, event) {
      const after = carryOut(field, state, event);
      return event.type === 'key' ? { ...after, touched: true } : after;
    },
  }))],
]; // biome-ignore format: a fault a piece

describe('an audit', () => {
  test.each(planted)('finds %s', (_, laws, field) => {
    const { found } = toldOf(field, 60_000);
    expect(found.map(({ law }) => law)).toEqual(expect.arrayContaining([expect.toBeOneOf([...laws])]));
    for (const { law, actions, tape, expected, found: there } of found) {
      expect([law, actions, shows(field, law, actions)]).toEqual([law, actions, true]);
      expect(actions.length).toBeLessThan(10);
      expect(parseTape(tape).ok).toBe(true);
      expect(expected).not.toBe(there);
    }
  });

  test('says nothing of definitions without a fault', () => {
    const { fields } = compile(demo, kinds);
    const each = Math.ceil(Number(process.env.ARBEIT_EVENTS ?? 200_000) / fields.length);
    for (const field of fields) {
      const { found, events } = toldOf(field, each);
      expect([field.id, found]).toEqual([field.id, []]);
      expect(events).toBeGreaterThanOrEqual(each);
    }
  });

  test('finds the same with the same seed, and each thread its own share of it', () => {
    const [, , stuck] = planted[3]!;
    const { found } = toldOf(stuck, 20_000);
    expect(toldOf(stuck, 20_000).found).toEqual(found);
    const [one] = found;
    const shares = [0, 1, 2].map((first) => toldOf(stuck, 20_000, { first, every: 3 }).found[0]!);
    expect(shares.map(({ at }) => at % 3)).toEqual([0, 1, 2]);
    expect(Math.min(...shares.map(({ at }) => at))).toBe(one!.at);
    expect(toldOf(stuck, 20_000, { seed: 2 }).found[0]!.at).not.toBe(-1);
  });

  test('shows by one tape what only two together show: the same content another way', () => {
    // What came in first decides how everything is shown until a reset: nothing that is done in one visit
    // tells.
    type Born = TextState & { readonly born?: string };
    const born = faulty(
      (kind) => ({
        reduce(field, state, event) {
          const after = carryOut({ ...field, kind }, state, event);
          if (event.type === 'reset') return after;
          const came = event.type === 'key' || event.type === 'paste' ? event.type : undefined;
          const first = (state.body as Born).born ?? came;
          const { content } = after.body;
          const body: Born = {
            ...after.body,
            ...(first ? { born: first } : {}),
            display: content && first === 'paste' ? `${content}~` : content,
          };
          return { ...after, body, start: body.display.length, end: body.display.length };
        },
      }),
      freeText,
    );
    const { found } = toldOf(born, 60_000);
    const one = found.find(({ law }) => law === 1);
    expect(one?.actions).toContain('reset');
    expect(shows(born, 1, one!.actions)).toBe(true);
  });

  test('shortens what it found to the keys that show it', () => {
    const { found } = toldOf(planted[3]![2], 20_000);
    expect(found.find(({ law }) => law === 4)!.actions.length).toBeLessThanOrEqual(5);
  });

  test('its tapes play in the field they were found in', () => {
    const { found } = toldOf(planted[4]![2], 20_000);
    for (const { tape } of found) {
      const read = parseTape(tape);
      if (!read.ok) throw new RangeError(tape);
      const played = play({ fields: [sound], forms: [] }, read.tape);
      expect(played).toHaveProperty('rows');
    }
  });
});
