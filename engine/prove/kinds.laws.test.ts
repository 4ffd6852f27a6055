import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { OpenField } from '../field/kind.ts';
import type { FieldEvent, FieldState } from '../field/moment.ts';
import { read as readOn } from '../field/reading.ts';
import { apply, keysOf, start } from '../field/state.ts';
import { kindIn } from '../kinds/definition.ts';
import type { PartsBody } from '../kinds/parts.ts';
import { kinds, type PlanOf } from '../kinds/table.ts';
import { isDate } from '../values/calendar.ts';
import { fold, graphemes } from '../values/graphemes.ts';
import { anyEvent, walk } from './arbitraries.ts';
import {
  actionsFor,
  atomsOf,
  compiledOf,
  eventFor,
  type KindSketch,
  kindNames,
  sketchOf,
  textFor,
} from './kinds.ts';

const runs = {
  numRuns: Number(process.env.ARBEIT_RUNS ?? 70),
  seed: Number(process.env.ARBEIT_SEED ?? 20270210),
};
const read = (field: OpenField, state: FieldState) => readOn(field, state, '2027-02-10');
const fresh = (field: OpenField): FieldState => apply(field, start(field), { type: 'focus' });
const shown = ({ body, start, end }: FieldState) => ({
  display: body.display,
  content: body.content,
  start,
  end,
});
const isRight = (from: KindSketch): boolean => (from.entry as { fill?: string }).fill === 'right';

/** A part of a date or time with fewer digits than it has, before one that has some: no display tells it from others. */
function isShort(field: OpenField, state: FieldState): boolean {
  const plan = field.plan as PlanOf;
  if (!('parts' in plan) || plan.kind === 'pattern') return false;
  const { texts } = state.body as PartsBody;
  const last = texts.findLastIndex(Boolean);
  const isShortPart = (text: string, i: number) =>
    i < last && text.length < (plan.kind === 'duration' ? 1 : plan.parts[i]!.size);
  // A lone digit that typing would have completed: what was before it has been taken out.
  const { size, high } = plan.parts[Math.max(0, last)]!;
  const text = texts[last] ?? '';
  const { words } = plan.parts[Math.max(0, last)]!;
  if (words && text && !words.includes(text)) return true;
  const isAlone = plan.kind !== 'duration' && size === 2 && text.length === 1 && Number(text) * 10 > high;
  return isAlone || texts.some(isShortPart);
}

/** What a value looks like (ISO 8601, E.164 with an extension as in RFC 3966, decimals, whole minutes). */
const grammars: Readonly<Record<KindSketch['kind'], RegExp>> = {
  text: /^(?:[^\p{Cc}\p{Cs}]|\n)+$/u,
  number: /^-?(?:0|[1-9]\d*)(?:\.\d+)?$/,
  currency: /^-?(?:0|[1-9]\d*)(?:\.\d+)?$/,
  percent: /^-?(?:0|[1-9]\d*)(?:\.\d+)?$/,
  date: /^\d{4}-\d\d-\d\d$/,
  time: /^(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d)?$/,
  duration: /^(?:0|[1-9]\d*)$/,
  phone: /^\+[1-9]\d{1,14}(?:;ext=\d+)?$/,
  pin: /^[0-9A-Za-z]+$/,
  'one-time-code': /^[0-9A-Za-z]+$/,
  choice: /^\S+$/,
  choices: /^\S+(?: \S+)*$/,
  'yes-no': /^(?:yes|no)$/,
};

/** Whether each part of a date or time that leaving changed is one its part takes. */
function couldBeTyped(field: OpenField, after: FieldState, before: FieldState): boolean {
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
    const actions = actionsFor(kind);
    const everyStep = (
      law: (field: OpenField, step: ReturnType<typeof walk>[number], from: KindSketch) => void,
    ): void => {
      fc.assert(
        fc.property(sketch, actions, (from, tape) => {
          const field = compiledOf(from);
          for (const step of walk(field, tape)) law(field, step, from);
        }),
        runs,
      );
    };

    test('1: the same content with the same focus has the same display, whatever the way there', () => {
      fc.assert(
        fc.property(sketch, actions, (from, tape) => {
          const field = compiledOf(from);
          const known = new Map<string, string>();
          for (const { after } of walk(field, tape)) {
            // Hours passed by without a number (`h `) are a state of their own.
            const passed = after.body.content === '' && after.body.display !== '';
            const key = JSON.stringify([after.body.content, after.focused, passed]);
            expect(known.get(key) ?? after.body.display).toBe(after.body.display);
            known.set(key, after.body.display);
            if (after.body.content === '' && kind !== 'duration') expect(after.body.display).toBe('');
          }
        }),
        runs,
      );
    });

    test('2: pasting the display into an empty field gives the same state', () => {
      everyStep((field, { after }) => {
        if (!after.body.content || isShort(field, after) || !after.focused) return;
        // Where another calendar is in use, a year far from ours is taken for one of that.
        const plan = field.plan as PlanOf;
        if (plan.kind === 'date' && !plan.gregorian) {
          const year = (after.body as PartsBody).texts[plan.year]!;
          if (year && (+year < 1850 || +year > 2250)) return;
        }
        const pasted = apply(field, fresh(field), { type: 'paste', text: after.body.display });
        expect([pasted.body.display, pasted.body.content, pasted.leftOut]).toEqual([
          after.body.display,
          after.body.content,
          '',
        ]);
      });
    });

    test('3: an accepted character stands directly left of the caret', () => {
      everyStep((field, { before, event, after }, from) => {
        if (
          event.type !== 'key' ||
          !before.focused ||
          after.rejected ||
          after.body.content === before.body.content
        )
          return;
        if (isRight(from)) return;
        const c = kind === 'text' ? event.text : fold(event.text);
        if (!/^[0-9]$/.test(c)) return;
        const left = atomsOf(field, after.body).filter(({ at }) => at < after.start);
        expect(left.at(-1)?.c).toBe(c);
      });
    });

    test('4 and 5: backspace and delete take exactly the next character, and the caret moves as little as can be', () => {
      everyStep((field, { before, event, after }, from) => {
        // What is picked goes as a whole: see below.
        if (kindIn(kinds, kind).draw.isPicked) return;
        if (
          (event.type !== 'backspace' && event.type !== 'delete') ||
          before.start !== before.end ||
          !before.focused
        )
          return;
        const atoms = atomsOf(field, before.body);
        const left = atoms.filter(({ at }) => at < before.start).length;
        const gone = event.type === 'backspace' ? left - 1 : left;
        const rest = atoms.filter((_, i) => i !== gone).map(({ c }) => c);
        const now = atomsOf(field, after.body);
        if (isRight(from) && /^-?0/.test(rest.join(''))) return;
        expect(now.map(({ c }) => c).join('')).toBe(rest.join(''));
        if (gone < 0 || gone >= atoms.length) return;
        const aim = Math.min(before.start, atoms[gone]!.at);
        const low = gone > 0 ? now[gone - 1]!.at + now[gone - 1]!.c.length : 0;
        const stand = field.kind.stand?.(field.plan, after.body, 0) ?? 0;
        const high = now[gone]?.at ?? after.body.display.length;
        const expected = Math.max(low, stand, Math.min(aim, high));
        // A sign at the head is passed with what belongs to it.
        if (rest[0] === '-' && gone === 1) return;
        expect(after.start).toBe(
          Math.min(expected, field.kind.stand?.(field.plan, after.body, expected) ?? expected),
        );
      });
    });

    test('4: backspace is never stuck', () => {
      fc.assert(
        fc.property(sketch, actions, (from, tape) => {
          const field = compiledOf(from);
          let state = apply(field, walk(field, tape).at(-1)?.after ?? fresh(field), { type: 'focus' });
          const count = atomsOf(field, state.body).length;
          for (let i = 0; i < count; i++) state = apply(field, state, { type: 'backspace' });
          expect(state.body.content).toBe('');
        }),
        runs,
      );
    });

    test('6: what cannot be taken leaves the field untouched, and a paste tells every letter and digit it leaves out', () => {
      everyStep((_, { before, event, after }, from) => {
        if (event.type === 'key' && after.rejected) expect(shown(after)).toEqual(shown(before));
        if (event.type !== 'paste' || before.body.content || /\(\s*0\s*\)/.test(event.text)) return;
        // A time or a duration is converted as a whole: `2 pm`, `1:30`.
        if ((kind === 'time' || kind === 'duration') && /[a-z:.]/i.test(event.text)) return;
        // So is an answer: `true`, and of a box that is not ticked, `no`.
        if (kind === 'yes-no' && !after.leftOut) return;
        // Zeros in front of a right fill count for nothing.
        if (isRight(from) && /^\D*[0٠]/.test(event.text)) return;
        const told = graphemes(event.text.normalize('NFKC').toLowerCase())
          .map(fold)
          .filter((c) => /[\p{L}\p{N}]/u.test(c));
        const fixed = graphemes(after.body.display.toLowerCase()).map(fold);
        const kept = graphemes(`${after.body.content}${after.leftOut}`.toLowerCase()).map(fold);
        for (const c of told)
          if (kept.includes(c)) kept.splice(kept.indexOf(c), 1);
          else expect(fixed).toContain(c);
      });
    });

    test('7: undo and redo bring back display, caret and selection exactly', () => {
      everyStep((field, { before, event, after }) => {
        const isEdit = !['undo', 'redo', 'reset', 'leave', 'focus', 'submit', 'select'].includes(event.type);
        if (!isEdit || after.body === before.body || !before.focused) return;
        const undone = apply(field, after, { type: 'undo' });
        if (before.run === 'none' || before.run !== after.run) expect(shown(undone)).toEqual(shown(before));
        expect(shown(apply(field, undone, { type: 'redo' }))).toEqual(shown(after));
      });
    });

    test('9 and 10: verdicts follow from the value alone, and nothing open is shown at the first focus', () => {
      everyStep((field, { after }) => {
        const calm: FieldState = { ...start(field), body: after.body };
        expect(read(field, after).findings).toEqual(read(field, calm).findings);
        if (after.touched || after.submitted) return;
        const { shown: messages, findings } = read(field, after);
        for (const { rule } of messages)
          expect(findings[field.rules.findIndex(({ id }) => id === rule)]!.verdict).toBe('fail');
      });
    });

    test('open keeps its word: what passes was never called impossible on the way there', () => {
      fc.assert(
        fc.property(sketch, textFor(kind), (from, text) => {
          const field = compiledOf(from);
          const steps: FieldState[] = [];
          for (const key of keysOf(text)) steps.push(apply(field, steps.at(-1) ?? fresh(field), key));
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

    test('a value is read back as itself, leaving is done once, and coming back changes nothing', () => {
      everyStep((field, { after }) => {
        const left = apply(field, { ...after, focused: true }, { type: 'leave' });
        const again = apply(field, apply(field, left, { type: 'focus' }), { type: 'leave' });
        expect(shown({ ...again, start: 0, end: 0 })).toEqual(shown({ ...left, start: 0, end: 0 }));
        const { value } = read(field, left);
        if (value === null) return;
        const set = apply(field, start(field), { type: 'set', text: value });
        expect([read(field, set).value, set.leftOut]).toEqual([value, '']);
        if (kind !== 'phone') expect(read(field, left).value).toBe(value);
      });
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
              if (kind === 'date' && value !== null) expect(isDate(value)).toBe(true);
              expect(raw).not.toMatch(/\p{Cs}/u);
              if (!/text|pin|code/.test(kind)) expect(raw + state.body.display).not.toMatch(/undefined|NaN/);
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

    test('12: set, autofill and initial with the field’s own raw, or its own value, give back just that', () => {
      everyStep((field, { after }) => {
        const own = read(field, after);
        for (const type of ['set', 'autofill'] as const) {
          const again = apply(field, start(field), { type, text: own.raw });
          expect([read(field, again).raw, read(field, again).value]).toEqual([own.raw, own.value]);
          if (own.value === null) continue;
          const valued = apply(field, start(field), { type, text: own.value });
          expect([read(field, valued).value, valued.leftOut]).toEqual([own.value, '']);
        }
        expect(read({ ...field, initial: own.raw }, start({ ...field, initial: own.raw })).raw).toBe(own.raw);
      });
    });

    test('the caret stands on a character boundary inside the display', () => {
      everyStep((_, { after }) => {
        expect(after.start).toBeGreaterThanOrEqual(0);
        expect(after.end).toBeGreaterThanOrEqual(after.start);
        expect(after.end).toBeLessThanOrEqual(after.body.display.length);
      });
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
    duration: digits,
    phone: fc.stringMatching(/^\+?[0-9]{0,14}$/),
    pin: fc.stringMatching(/^[0-9a-z]{0,3}$/),
    'one-time-code': fc.stringMatching(/^[0-9]{0,3}$/),
    // A key is refused where a value is picked, and so is a text that names nothing.
    choice: fc.constantFrom('', 'x', 'boar'),
    choices: fc.constantFrom('', 'x', 'boar'),
    'yes-no': fc.constantFrom('', 'x', 'maybe'),
  };
  test.each(kindNames)('%s', (kind) => {
    fc.assert(
      fc.property(sketchOf(kind), texts[kind], (from, text) => {
        const field = compiledOf(from);
        const pasted = apply(field, fresh(field), { type: 'paste', text });
        const typed = keysOf(text).reduce(
          (s: FieldState, key: FieldEvent) => apply(field, s, key),
          fresh(field),
        );
        expect(pasted.body.content).toBe(typed.body.content);
      }),
      runs,
    );
  });
});
