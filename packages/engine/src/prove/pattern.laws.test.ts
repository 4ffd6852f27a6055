import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { apply, keysOf, start } from '../field/apply.ts';
import { evaluate } from '../field/evaluation.ts';
import type { FieldState } from '../field/field-state.ts';
import type { PatternBody } from '../kinds/pattern/body.ts';
import { fit } from '../kinds/pattern/cells.ts';
import { planOf } from '../kinds/pattern/content.ts';
import type { PatternField } from '../kinds/pattern/run.ts';
import { kinds } from '../kinds/registry.ts';
import { graphemes } from '../values/graphemes.ts';
import { actions, anyEvent, fieldOf, sketch, sketchOfList, typed, walk } from './arbitraries.ts';
import { subjectOf } from './law-subject.ts';
import { breachIn, typedAsPasted } from './laws-of-states.ts';
import { breachAt, type Memory } from './laws-of-steps.ts';

/** One seed, so that a red run is red for everybody; `ARBEIT_SEED` and `ARBEIT_RUNS` go looking for more. */
const runs = {
  numRuns: Number(process.env.ARBEIT_RUNS ?? 200),
  seed: Number(process.env.ARBEIT_SEED ?? 20270210),
};
const today = '2027-02-10';
const fresh = (field: PatternField): FieldState<PatternBody> => apply(field, start(field), { type: 'focus' });
const shown = (state: FieldState<PatternBody>) => ({
  display: state.body.display,
  cells: state.body.cells,
  start: state.start,
  end: state.end,
});

describe('laws of pattern fields', () => {
  test('every law, at every step of random tapes on random patterns', () => {
    fc.assert(
      fc.property(sketch, actions, (from, tape) => {
        const field = fieldOf(from);
        const subject = subjectOf(field, kinds, today);
        const memory: Memory = new Map();
        for (const moment of walk(field, tape)) {
          expect(breachAt(subject, moment, memory, { isAll: true })).toBeUndefined();
          expect(breachIn(subject, moment.after)).toBeUndefined();
        }
      }),
      { ...runs, numRuns: runs.numRuns * 2 },
    );
  });

  test('every law, at every step of random tapes on random lists of patterns', () => {
    fc.assert(
      fc.property(sketchOfList, actions, (from, tape) => {
        const field = fieldOf(from);
        const subject = subjectOf(field, kinds, today);
        const memory: Memory = new Map();
        for (const moment of walk(field, tape)) {
          expect(breachAt(subject, moment, memory, { isAll: true })).toBeUndefined();
          expect(breachIn(subject, moment.after)).toBeUndefined();
        }
      }),
      { ...runs, numRuns: runs.numRuns / 2 },
    );
  });

  test('1: empty content in flow has an empty display', () => {
    fc.assert(
      fc.property(sketch, actions, (from, tape) => {
        for (const { after } of walk(fieldOf(from), tape))
          if (from.positions === 'flow' && after.body.content === '' && !after.body.passed)
            expect(after.body.display).toBe('');
      }),
      runs,
    );
  });

  test('1: where every part is full before the next begins, the content alone decides the display', () => {
    fc.assert(
      fc.property(sketch, actions, (from, tape) => {
        const field = fieldOf(from);
        fc.pre(field.plan.stretches.length === 0 && field.plan.parts.every((part) => part.min === part.size));
        const known = new Map<string, string>();
        for (const { after } of walk(field, tape)) {
          const { body } = after;
          if (body.cells.slice(0, body.last + 1).includes('')) continue;
          const key = JSON.stringify([body.content, body.passed]);
          expect(known.get(key) ?? body.display).toBe(body.display);
          known.set(key, body.display);
        }
      }),
      runs,
    );
  });

  test('7: down to the bottom and up again, the same texts, whatever the caret did in between', () => {
    fc.assert(
      fc.property(sketch, actions, (from, tape) => {
        const field = fieldOf(from);
        let state = walk(field, tape).at(-1)?.after ?? fresh(field);
        const down = [state.body];
        for (; state.past; down.push(state.body)) state = apply(field, state, { type: 'undo' });
        const up = [state.body];
        while (up.length < down.length) {
          state = apply(field, state, { type: 'redo' });
          up.push(state.body);
        }
        expect(up.reverse()).toEqual(down);
      }),
      runs,
    );
  });

  test('9: once it was left, what is shown is what does not pass and is due, in the rules’ order', () => {
    fc.assert(
      fc.property(sketch, actions, (from, tape) => {
        const field = fieldOf(from);
        for (const { after } of walk(field, tape)) {
          const { shown: messages, findings } = evaluate(field, { ...after, touched: true });
          // What may show at once shows what is open too, once it was left.
          const due = field.rules.filter(
            ({ show }, i) => findings[i]!.verdict !== 'pass' && (show !== 'submit' || after.submitted),
          );
          expect(messages.map(({ rule }) => rule)).toEqual(due.map(({ id }) => id));
        }
      }),
      runs,
    );
  });

  test('7: a run of typing is one step, a run of deletions another', () => {
    fc.assert(
      fc.property(sketch, typed, fc.integer({ min: 1, max: 4 }), (from, text, times) => {
        const field = fieldOf(from);
        const empty = fresh(field);
        const full = keysOf(text).reduce((state, key) => apply(field, state, key), empty);
        const less = Array.from({ length: times }).reduce<FieldState<PatternBody>>(
          (s) => apply(field, s, { type: 'backspace' }),
          full,
        );
        fc.pre(full.body !== empty.body && less.body !== full.body && full.run === 'typing');
        const once = apply(field, less, { type: 'undo' });
        expect(shown(once)).toEqual(shown(full));
        expect(apply(field, once, { type: 'undo' }).body.content).toBe('');
      }),
      runs,
    );
  });

  test('8: typing a text and pasting it give the same content', () => {
    fc.assert(
      fc.property(fc.oneof(sketch, sketchOfList), typed, (from, text) => {
        const subject = subjectOf(fieldOf(from), kinds, today);
        expect(typedAsPasted(subject, text)).toBeUndefined();
      }),
      runs,
    );
  });

  test('11: whatever comes in, nothing throws, and a value is what the pattern takes', () => {
    fc.assert(
      fc.property(fc.oneof(sketch, sketchOfList), fc.array(anyEvent, { maxLength: 12 }), (from, events) => {
        const field = fieldOf(from);
        let state = fresh(field);
        for (const event of events) {
          state = apply(field, state, event);
          const { value } = evaluate(field, state);
          const { body } = state;
          const plan = planOf(field.plan, body);
          for (const [i, c] of plan ? body.cells.entries() : [])
            if (plan && c) expect(fit(plan, body.cells, i, c)).toEqual({ as: c });
          if (value !== null) expect(graphemes(value).some((c) => /[\p{Cc}\p{Cs}]/u.test(c))).toBe(false);
          expect([state.start, state.end].every((at) => at >= 0 && at <= body.display.length)).toBe(true);
        }
      }),
      runs,
    );
  });
});
