import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { apply, keysOf, start } from '../field/apply.ts';
import { evaluate as evaluated } from '../field/evaluation.ts';
import type { FieldState } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import type { PartsBody } from '../kinds/editing/parts.ts';
import { kinds, type PlanOf } from '../kinds/registry.ts';
import { isDate } from '../values/calendar.ts';
import { anyEvent, walk } from './arbitraries.ts';
import { actionsFor, compiledOf, eventFor, type KindSketch, kindNames, sketchOf, textFor } from './kinds.ts';
import { subjectOf } from './law-subject.ts';
import { breachIn, typedAsPasted } from './laws-of-states.ts';
import { breachAt, type Memory } from './laws-of-steps.ts';

const runs = {
  numRuns: Number(process.env.ARBEIT_RUNS ?? 60),
  seed: Number(process.env.ARBEIT_SEED ?? 20270210),
};
const today = '2027-02-10';
const read = (field: HydratedField, state: FieldState) => evaluated(field, state, today);

/** What a value looks like (ISO 8601, E.164 with an extension as in RFC 3966, decimals, whole minutes). */
const grammars: Readonly<Record<KindSketch['kind'], RegExp>> = {
  text: /^(?:[^\p{Cc}\p{Cs}]|\n)+$/u,
  number: /^-?(?:0|[1-9]\d*)(?:\.\d+)?$/,
  currency: /^-?(?:0|[1-9]\d*)(?:\.\d+)?$/,
  percent: /^-?(?:0|[1-9]\d*)(?:\.\d+)?$/,
  'date-time': /^\d{4}-\d\d-\d\dT\d\d:\d\d$/,
  date: /^\d{4}-\d\d(?:-\d\d)?$/,
  time: /^(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d)?$/,
  duration: /^(?:0|[1-9]\d*)$/,
  phone: /^\+[1-9]\d{1,14}(?:;ext=\d+)?$/,
  pin: /^[0-9A-Za-z]+$/,
  'one-time-code': /^[0-9A-Za-z]+$/,
  choice: /^\S(?:.*\S)?$/,
  choices: /^\S+(?: \S+)*$|^\S(?:.*\S)?(?:\n\S(?:.*\S)?)*$/,
  'yes-no': /^(?:yes|no)$/,
  custom: /^[\p{L}\p{M}0-9]+$/u,
};

/** Whether each part of a date or time that leaving changed is one its part takes. */
function couldBeTyped(field: HydratedField, after: FieldState, before: FieldState): boolean {
  const plan = field.plan as PlanOf;
  if (!('parts' in plan) || plan.kind === 'pattern' || plan.kind === 'duration') return true;
  const was = (before.body as PartsBody).texts;
  return (after.body as PartsBody).texts.every((text, i) => {
    const { low, high, words, size } = plan.parts[i]!;
    if (text === was[i] || words) return true;
    return text.length === size && Number(text) >= low && Number(text) <= high;
  });
}

for (const kind of kindNames)
  describe(`laws of ${kind} fields`, () => {
    const sketch = sketchOf(kind);

    test('every law, at every step of random tapes on random fields', () => {
      fc.assert(
        fc.property(sketch, actionsFor(kind), (from, tape) => {
          const subject = subjectOf(compiledOf(from), kinds, today);
          const memory: Memory = new Map();
          for (const moment of walk(subject.field, tape)) {
            expect(breachAt(subject, moment, memory, { isAll: true })).toBeUndefined();
            expect(breachIn(subject, moment.after)).toBeUndefined();
            // Hours that were passed by without a number are shown, and fixed text in front that was typed.
            const { content, display } = moment.after.body;
            if (content === '' && kind !== 'duration' && kind !== 'custom') expect(display).toBe('');
          }
        }),
        runs,
      );
    });

    test('open keeps its word: what passes was never called impossible on the way there', () => {
      fc.assert(
        fc.property(sketch, textFor(kind), (from, text) => {
          const field = compiledOf(from);
          const steps: FieldState[] = [];
          for (const key of keysOf(text))
            steps.push(apply(field, steps.at(-1) ?? apply(field, start(field), { type: 'focus' }), key));
          const last = steps.at(-1);
          if (!last) return;
          const end = read(field, last).findings;
          if (end.some(({ verdict }) => verdict === 'fail')) return;
          for (const step of steps) {
            // Only ways that went on at the end, and by typing alone.
            if (!last.body.content.startsWith(step.body.content)) continue;
            if (field.rules.some(({ check }) => check.type === 'range' && check.step)) continue;
            for (const [i, { verdict }] of read(field, step).findings.entries())
              if (verdict === 'fail')
                expect([field.rules[i]!.id, end[i]!.verdict]).toEqual([field.rules[i]!.id, 'fail']);
          }
        }),
        runs,
      );
    });

    test('11: whatever comes in, nothing throws, and a value fits its kind’s grammar', () => {
      fc.assert(
        fc.property(
          sketch,
          fc.array(fc.oneof(anyEvent, anyEvent, eventFor(kind)), { maxLength: 14 }),
          (from, events) => {
            const field = compiledOf(from);
            let state = start(field);
            for (const event of events) {
              const before = state;
              state = apply(field, state, event);
              const { value, raw } = read(field, state);
              if (value !== null) expect(value).toMatch(grammars[kind]);
              if (kind === 'date' && value !== null)
                expect(isDate(value.length === 7 ? `${value}-01` : value)).toBe(true);
              expect(raw).not.toMatch(/\p{Cs}/u);
              if (!/text|pin|code|custom/.test(kind))
                expect(raw + state.body.display).not.toMatch(/undefined|NaN/);
              expect([state.start, state.end].every((at) => at >= 0 && at <= state.body.display.length)).toBe(
                true,
              );
              // What is taken, is taken whole: no key that was refused may come about by leaving.
              if (event.type === 'leave') expect(couldBeTyped(field, state, before)).toBe(true);
            }
          },
        ),
        runs,
      );
    });
  });

describe('8: typing a text and pasting it give the same content', () => {
  const digits = fc.stringMatching(/^[0-9]{0,14}$/);
  const texts: Readonly<Record<KindSketch['kind'], fc.Arbitrary<string>>> = {
    text: textFor('text'),
    number: fc.stringMatching(/^[0-9]{1,8}$/),
    currency: fc.stringMatching(/^[1-9][0-9]{0,8}$/),
    percent: fc.stringMatching(/^[0-9]{1,4}$/),
    date: fc.stringMatching(/^[0-9]{0,7}$/),
    time: fc.stringMatching(/^[0-9]{0,6}$/),
    'date-time': fc.stringMatching(/^[0-9]{0,11}$/),
    duration: digits,
    phone: fc.stringMatching(/^\+?[0-9]{0,14}$/),
    pin: fc.stringMatching(/^[0-9a-z]{0,3}$/),
    'one-time-code': fc.stringMatching(/^[0-9]{0,3}$/),
    // A key is refused where a value is picked, and so is a text that names nothing.
    choice: fc.constantFrom('', 'x', 'boar'),
    choices: fc.constantFrom('', 'x', 'boar'),
    'yes-no': fc.constantFrom('', 'x', 'maybe'),
    // Pasted, the fixed text it begins with is known as such; a key of it is a character like any other.
    custom: fc.stringMatching(/^[0-35-9A-JL-Z]{0,14}$/),
  };
  test.each(kindNames)('%s', (kind) => {
    fc.assert(
      fc.property(sketchOf(kind), texts[kind], (from, text) => {
        const subject = subjectOf(compiledOf(from), kinds, today);
        expect(typedAsPasted(subject, text)).toBeUndefined();
      }),
      runs,
    );
  });
});
