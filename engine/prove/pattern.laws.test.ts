import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { FieldState } from '../field/moment.ts';
import { read } from '../field/reading.ts';
import { apply, keysOf, start } from '../field/state.ts';
import type { PatternBody } from '../kinds/pattern/body.ts';
import { exists, fit, partOf } from '../kinds/pattern/cells.ts';
import { cellsIn } from '../kinds/pattern/erase.ts';
import { placeOf } from '../kinds/pattern/insert.ts';
import { contentEnd, written } from '../kinds/pattern/layout.ts';
import type { PatternField } from '../kinds/pattern/run.ts';
import { isIn } from '../values/characters.ts';
import { fold, graphemes } from '../values/graphemes.ts';
import {
  actions,
  anyEvent,
  fieldOf,
  rawOption,
  type Sketch,
  sketch,
  typed,
  type Walked,
  walk,
} from './arbitraries.ts';

/** One seed, so that a red run is red for everybody; `ARBEIT_SEED` and `ARBEIT_RUNS` go looking for more. */
const runs = {
  numRuns: Number(process.env.ARBEIT_RUNS ?? 1000),
  seed: Number(process.env.ARBEIT_SEED ?? 20270210),
};
const fresh = (field: PatternField): FieldState<PatternBody> => apply(field, start(field), { type: 'focus' });
const shown = (state: FieldState<PatternBody>) => ({
  display: state.body.display,
  cells: state.body.cells,
  start: state.start,
  end: state.end,
});

/** The caret stands behind fixed text that was typed behind the content: a backspace takes that back first. */
const isBehindPassed = ({ body, start }: FieldState<PatternBody>): boolean =>
  body.passed !== undefined && start > contentEnd(body);

/** A part with fewer characters than it needs, or with a hole in it, that something stands behind; half a word. */
function isShortInTheMiddle(field: PatternField, body: PatternBody): boolean {
  return field.plan.parts.some((part) => {
    const own = body.cells.slice(part.first, part.first + part.size);
    const filled = own.filter(Boolean).length;
    if (!exists(field.plan, body.cells, part.stretch) || body.last < part.first) return false;
    const holed = own.slice(0, filled).includes('');
    const isHalf = part.takes === 'words' && filled > 0 && !part.words!.includes(own.join(''));
    const cutShort = filled < part.min;
    return isHalf || holed || (cutShort && body.last >= part.first + part.size);
  });
}

/** Whether some cell takes a character of the fixed text: then typing and pasting rightly differ (docs/engine.md). */
function isAmbiguous(field: PatternField): boolean {
  const fixed = [...new Set(graphemes(field.plan.before.map(written).join('')))];
  return field.plan.parts.some((part) =>
    fixed.some(
      (c) =>
        isIn(part.takes === 'set' ? part.set! : part.takes === 'number' ? 'digit' : 'any', c) ||
        (part.manner && fixed.some((d) => /\p{L}/u.test(d))),
    ),
  );
}

/** Whether a part that may stay out is followed by another with no fixed text between them. */
function runsOn(field: PatternField): boolean {
  const { parts, stretches, before, cells } = field.plan;
  if (stretches.length > 0) return true;
  return parts.some(
    ({ first, size, min }) => min < size && first + size < cells.length && before[first + size] === '',
  );
}

/** Holds a law at every step of random tapes on random patterns. */
function everyStep(law: (field: PatternField, step: Walked<PatternBody>, from: Sketch) => void): void {
  fc.assert(
    fc.property(sketch, actions, (from, tape) => {
      const field = fieldOf(from);
      for (const step of walk(field, tape)) law(field, step, from);
    }),
    runs,
  );
}

describe('laws of pattern fields', () => {
  test('1: the same content in the same places has the same display, whatever the way there', () => {
    fc.assert(
      fc.property(sketch, actions, (from, tape) => {
        const field = fieldOf(from);
        const known = new Map<string, string>();
        for (const { after } of walk(field, tape)) {
          const key = JSON.stringify([after.body.cells, after.body.passed]);
          expect(known.get(key) ?? after.body.display).toBe(after.body.display);
          known.set(key, after.body.display);
          if (from.positions === 'flow' && after.body.content === '' && !after.body.passed)
            expect(after.body.display).toBe('');
        }
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

  test('2: pasting the display into an empty field gives the same state', () => {
    everyStep((field, { after }) => {
      if (after.body.last < 0 || isShortInTheMiddle(field, after.body)) return;
      if (after.body.display !== after.body.display.normalize('NFC')) return;
      // An optional stretch that was passed by could take what stands behind it: the display cannot tell.
      const passedBy = after.body.cells.slice(0, after.body.last).includes('');
      if (passedBy && runsOn(field)) return;
      const pasted = apply(field, fresh(field), { type: 'paste', text: after.body.display });
      expect([pasted.body.display, pasted.leftOut]).toEqual([after.body.display, '']);
      // `<digit><0-1 any>-`: "0-" is two states with one display, so nothing can tell them apart.
      if (!isAmbiguous(field)) expect(pasted.body.content).toBe(after.body.content);
    });
  });

  test('3: an accepted character stands directly left of the caret', () => {
    everyStep((field, { before, event, after }, from) => {
      if (event.type !== 'key' || after.rejected || after.body === before.body) return;
      const { cells, at } = after.body;
      // Closing a part, passing fixed text (over a selection too) or leaving a cell blank adds no character.
      const removed = cellsIn(before.body, before.start, before.end).length;
      const grown = cells.filter(Boolean).length - before.body.cells.filter(Boolean).length + removed;
      const overwrites = from.positions === 'fixed' && before.start === before.end;
      if (grown <= 0 && !overwrites) return;
      if (event.text === ' ' || event.text === '_') return;
      if (after.body.content === before.body.content) return;
      const { left } = placeOf(after.body, after.start);
      // A word that the character settles is completed.
      const typed = left - graphemes(after.body.owed).length;
      const end = at[left]! + cells[left]!.length;
      if (from.literals === 'behind') expect(after.start).toBe(end);
      else
        expect(after.body.display.slice(end, after.start)).toSatisfy(
          (t: string) => t === '' || field.plan.before.some((b) => written(b).includes(t)),
        );
      const typedThere = cells[typed]!.toLowerCase();
      const folded = event.text.normalize('NFKC').toLowerCase();
      if (/^[\p{L}]$/u.test(event.text)) expect([folded, event.text.toLowerCase()]).toContain(typedThere);
    });
  });

  test('4: backspace and delete remove exactly the next content character, and nothing when there is none', () => {
    everyStep((_, { before, event, after }) => {
      if ((event.type !== 'backspace' && event.type !== 'delete') || before.start !== before.end) return;
      if (event.type === 'backspace' && isBehindPassed(before)) {
        expect([after.body.content, after.body.passed]).toEqual([before.body.content, undefined]);
        return;
      }
      const { left, right } = placeOf(before.body, before.start);
      const gone = event.type === 'backspace' ? left : right;
      const content = before.body.cells.filter((_, i) => i !== gone).join('');
      expect(after.body.content.toLowerCase()).toBe(content.toLowerCase());
    });
  });

  test('4: backspace is never stuck', () => {
    fc.assert(
      fc.property(sketch, actions, (from, tape) => {
        const field = fieldOf(from);
        let state = apply(field, walk(field, tape).at(-1)?.after ?? fresh(field), {
          type: 'select',
          start: 999,
          end: 999,
        });
        const count = state.body.cells.filter(Boolean).length + (isBehindPassed(state) ? 1 : 0);
        for (let i = 0; i < count; i++) state = apply(field, state, { type: 'backspace' });
        expect(state.body.content).toBe('');
      }),
      runs,
    );
  });

  test('5: after a deletion the caret aims where the removed text began, held between its neighbours', () => {
    everyStep((_, { before, event, after }) => {
      if ((event.type !== 'backspace' && event.type !== 'delete') || before.start !== before.end) return;
      if (after.body === before.body || (event.type === 'backspace' && isBehindPassed(before))) return;
      const { left, right } = placeOf(before.body, before.start);
      const gone = event.type === 'backspace' ? left : right;
      const aim = Math.min(before.start, before.body.at[gone]!);
      const filled = after.body.cells.flatMap((c, i) => (c ? [i] : []));
      const previous = filled.findLast((i) => i < gone);
      const next = filled.find((i) => i >= gone);
      const low = previous === undefined ? 0 : after.body.at[previous]! + after.body.cells[previous]!.length;
      const high = next === undefined ? after.body.display.length : after.body.at[next]!;
      expect(after.start).toBe(Math.max(low, Math.min(aim, high)));
      expect(after.end).toBe(after.start);
    });
  });

  test('6: what cannot be taken leaves the field untouched and is reported; typing adds and takes nothing else', () => {
    everyStep((_, { before, event, after }, from) => {
      if (event.type !== 'key') return;
      if (after.rejected) {
        expect(shown(after)).toEqual(shown(before));
      } else if (from.positions === 'flow' && before.start === before.end) {
        const was = graphemes(before.body.content).map((c) => fold(c).toLowerCase());
        const is = graphemes(after.body.content).map((c) => fold(c).toLowerCase());
        expect([0, 1 + graphemes(after.body.owed).length]).toContain(is.length - was.length);
        for (const c of new Set(was))
          expect(is.filter((x) => x === c).length).toBeGreaterThanOrEqual(was.filter((x) => x === c).length);
      }
    });
  });

  test('6: a paste reports every letter and digit that is neither content nor fixed text', () => {
    fc.assert(
      fc.property(sketch, typed, (from, text) => {
        const field = fieldOf({ ...from, positions: 'flow' });
        const after = apply(field, fresh(field), { type: 'paste', text });
        const told = graphemes(text.normalize('NFKC').toLowerCase()).filter((c) => /[\p{L}\p{N}]/u.test(c));
        const fixed = field.plan.before.map(written).join('').toLowerCase();
        const known = `${after.body.content}${after.leftOut}`.normalize('NFKC').toLowerCase();
        const kept = graphemes(known).map(fold);
        for (const c of told.map(fold)) {
          if (kept.includes(c)) kept.splice(kept.indexOf(c), 1);
          else expect(fixed).toContain(c);
        }
      }),
      runs,
    );
  });

  test('7: undo and redo bring back display, caret and selection exactly', () => {
    fc.assert(
      fc.property(sketch, actions, (from, tape) => {
        const field = fieldOf(from);
        for (const { before, event, after } of walk(field, tape)) {
          if (
            after.body === before.body ||
            event.type === 'undo' ||
            event.type === 'redo' ||
            event.type === 'reset'
          )
            continue;
          const undone = apply(field, after, { type: 'undo' });
          if (before.run === 'none' || before.run !== after.run) expect(shown(undone)).toEqual(shown(before));
          expect(shown(apply(field, undone, { type: 'redo' }))).toEqual(shown(after));
        }
        // Down to the bottom and up again: the same displays, whatever the caret did in between.
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
      fc.property(sketch, typed, (from, text) => {
        const field = fieldOf(from);
        fc.pre(!isAmbiguous(field));
        const pasted = apply(field, fresh(field), { type: 'paste', text });
        const byHand = keysOf(text.normalize('NFC')).reduce(
          (state, key) => apply(field, state, key),
          fresh(field),
        );
        fc.pre(!isShortInTheMiddle(field, byHand.body));
        expect(pasted.body.content).toBe(byHand.body.content);
      }),
      runs,
    );
  });

  test('9: verdicts follow from the value alone', () => {
    everyStep((field, { after }) => {
      const calm: FieldState<PatternBody> = { ...start(field), body: after.body };
      expect(read(field, after).findings).toEqual(read(field, calm).findings);
      const codes = read(field, { ...after, touched: true }).shown.map((s) => s.rule);
      const failing = field.rules.filter(
        (rule, i) =>
          read(field, calm).findings[i]!.verdict !== 'pass' &&
          (rule.show === 'leave' || read(field, calm).findings[i]!.verdict === 'fail' || after.submitted),
      );
      expect(codes).toEqual(failing.map((rule) => rule.id));
    });
  });

  test('10: nothing open is shown while the field has the focus for the first time', () => {
    everyStep((field, { after }) => {
      if (after.touched || after.submitted) return;
      const { shown: messages, findings } = read(field, after);
      for (const message of messages)
        expect(findings[field.rules.findIndex((r) => r.id === message.rule)]!.verdict).toBe('fail');
    });
  });

  test('11: whatever comes in, nothing throws, and a value is what the pattern takes', () => {
    fc.assert(
      fc.property(sketch, fc.array(anyEvent, { maxLength: 12 }), (from, events) => {
        const field = fieldOf(from);
        let state = fresh(field);
        for (const event of events) {
          state = apply(field, state, event);
          const { value } = read(field, state);
          const { body } = state;
          for (const [i, c] of body.cells.entries())
            if (c) expect(fit(field.plan, body.cells, i, c)).toEqual({ as: c });
          if (value !== null) expect(graphemes(value).some((c) => /[\p{Cc}\p{Cs}]/u.test(c))).toBe(false);
          expect([state.start, state.end].every((at) => at >= 0 && at <= body.display.length)).toBe(true);
        }
      }),
      runs,
    );
  });

  test('12: set and initial with the field’s own raw, or its own value, give back just that', () => {
    fc.assert(
      fc.property(sketch, rawOption, actions, (from, raw, tape) => {
        const field = fieldOf(raw ? { ...from, raw } : from);
        for (const { after } of walk(field, tape)) {
          const own = read(field, after);
          if (own.raw !== own.raw.normalize('NFC') || isShortInTheMiddle(field, after.body)) continue;
          for (const type of ['set', 'autofill'] as const) {
            const again = apply(field, start(field), { type, text: own.raw });
            expect([again.body.content, read(field, again).raw]).toEqual([after.body.content, own.raw]);
            expect(read(field, again).value).toBe(own.value);
          }
          const begun = start({ ...field, initial: own.raw });
          expect(read(field, begun).raw).toBe(own.raw);
        }
      }),
      runs,
    );
  });

  test('the caret always stands on a character boundary inside the display, and cells hold what they take', () => {
    everyStep((field, { after }) => {
      expect(after.start).toBeGreaterThanOrEqual(0);
      expect(after.end).toBeGreaterThanOrEqual(after.start);
      expect(after.end).toBeLessThanOrEqual(after.body.display.length);
      for (const [i, c] of after.body.cells.entries()) {
        const part = partOf(field.plan, i);
        if (c && part.takes === 'set') expect(isIn(part.set!, c)).toBe(true);
      }
    });
  });
});
