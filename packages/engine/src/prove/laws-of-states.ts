import { apply, keysOf, start } from '../field/apply.ts';
import { evaluate } from '../field/evaluation.ts';
import type { FieldState } from '../field/field-state.ts';
import type { Action } from '../tape/script.ts';
import { type Breach, noLaws } from './law.ts';
import { drawn, emptied, isTold, type LawSubject } from './law-subject.ts';

/**
 * The laws of a state, however it was reached. They cost more than those of a step; when many states are
 * visited, only some are checked.
 */

/** Pastes or types a text into the empty field. */
const afresh = (way: 'paste' | 'set' | 'autofill', text: string): readonly Action[] => [
  { do: 'reset' },
  { do: 'select-all' },
  { do: 'backspace', times: 1 },
  { do: way, text },
];

/** The result of a repeated action, which may throw: then that is the breach. */
function orThrown(further: readonly Action[], law: () => Breach | undefined): Breach | undefined {
  try {
    return law();
  } catch (error) {
    return { law: 11, expected: 'nothing is thrown', found: String(error), further };
  }
}

/** Law 2: pasting the display into the empty field gives the same state. */
function displayReadsBack(subject: LawSubject, after: FieldState): Breach | undefined {
  const { field, exemptions, fresh } = subject;
  const { body } = after;
  if (!body.content || !after.focused || !isTold(subject, after)) return undefined;
  if (exemptions.isReadOtherwise?.(field.plan, body)) return undefined;
  const further = afresh('paste', body.display);
  return orThrown(further, () => {
    const pasted = apply(field, fresh, { type: 'paste', text: body.display });
    const isContent = pasted.body.content === body.content || exemptions.isAmbiguous?.(field.plan);
    if (pasted.body.display === body.display && pasted.leftOut === '' && isContent) return undefined;
    const less = pasted.leftOut ? `, without “${pasted.leftOut}”` : '';
    return {
      law: 2,
      expected: `“${body.display}” with content “${body.content}” when it is pasted`,
      found: `“${pasted.body.display}” with content “${pasted.body.content}”${less}`,
      further,
    };
  });
}

/**
 * Law 8: typing a text key by key and leaving gives the same value as pasting it and leaving, or one of the
 * two refuses and reports. Contents are compared for texts that the kind says are alike.
 */
export function typedAsPasted(subject: LawSubject, text: string): Breach | undefined {
  const { field, exemptions, fresh, today } = subject;
  if (exemptions.isAmbiguous?.(field.plan)) return undefined;
  const further = afresh('paste', text);
  return orThrown(further, () => {
    const { state: typed, isRefused } = typedInto(subject, text);
    const pasted = apply(field, fresh, { type: 'paste', text });
    const isAlike = !exemptions.alike || exemptions.alike.test(text);
    if (isRefused || pasted.rejected || pasted.leftOut) return undefined;
    if (isAlike && isTold(subject, typed) && pasted.body.content !== typed.body.content)
      return {
        law: 8,
        expected: `“${typed.body.display}” when “${text}” is pasted, as when it is typed`,
        found: `“${pasted.body.display}”`,
        further,
      };
    if (exemptions.isSilent) return undefined;
    const [one, other] = [typed, pasted].map(
      (state) => evaluate(field, apply(field, state, { type: 'leave' }), today).value,
    );
    return one === other
      ? undefined
      : {
          law: 8,
          expected: `value ${said(one!)} when “${text}” is pasted and left, as when it is typed`,
          found: `value ${said(other!)}`,
          further,
        };
  });
}

/** The empty field after typing a text key by key, and whether a key was refused. */
function typedInto(
  { field, fresh }: LawSubject,
  text: string,
): { readonly state: FieldState; readonly isRefused: boolean } {
  let state = fresh;
  let isRefused = false;
  for (const key of keysOf(text)) {
    state = apply(field, state, key);
    isRefused ||= state.rejected !== null || state.leftOut !== '';
  }
  return { state, isRefused };
}

/** Laws 9 and 12: writing the field's own raw or own value back changes nothing, the verdicts included. */
function writesBack(subject: LawSubject, after: FieldState): Breach | undefined {
  const { field, today } = subject;
  if (!isTold(subject, after)) return undefined;
  const own = evaluate(field, after, today);
  if (own.raw !== own.raw.normalize('NFC')) return undefined;
  const empty = { ...start(field), ...emptied(field) };
  // What a browser brings is a text, and may mean something else than the same raw value.
  for (const type of field.kind.readText ? (['set'] as const) : (['set', 'autofill'] as const)) {
    const put = apply(field, empty, { type, text: own.raw });
    const again = evaluate(field, after.focused ? apply(field, put, { type: 'focus' }) : put, today);
    if (again.raw !== own.raw || again.value !== own.value)
      return back(`raw “${own.raw}”, value ${said(own.value)} after ${type}`, again, afresh(type, own.raw));
    // The same value always has the same verdicts, however it was reached.
    const at =
      !after.focused || own.display !== again.display
        ? -1
        : own.findings.findIndex(({ verdict }, i) => verdict !== again.findings[i]?.verdict);
    if (at >= 0 && !after.refused)
      return {
        law: 9,
        expected: `the verdict “${again.findings[at]?.verdict}” of rule ${field.rules[at]?.id}, as when the program writes “${own.raw}”`,
        found: `“${own.findings[at]?.verdict}”`,
      };
    if (own.value === null) continue;
    const valued = evaluate(field, apply(field, empty, { type, text: own.value }), today);
    if (valued.value !== own.value)
      return back(`value ${said(own.value)} after ${type} with just that`, valued, afresh(type, own.value));
  }
  const begun = evaluate(field, start({ ...field, initial: own.raw }), today);
  if (begun.raw !== own.raw) return back(`raw “${own.raw}” when it starts with that`, begun);
  return undefined;
}
const said = (value: string | null): string => (value === null ? 'none' : `“${value}”`);
const back = (
  expected: string,
  { raw, value }: { readonly raw: string; readonly value: string | null },
  further: readonly Action[] = [],
): Breach => ({
  law: 12,
  expected,
  found: `raw “${raw}”, value ${said(value)}`,
  further,
});

/** Law 11: blurring a second time changes nothing, nor does focusing and blurring again. */
function leavesOnce({ field }: LawSubject, after: FieldState): Breach | undefined {
  const left = apply(field, { ...after, focused: true }, { type: 'leave' });
  const again = apply(field, apply(field, left, { type: 'focus' }), { type: 'leave' });
  return again.body.display === left.body.display && again.body.content === left.body.content
    ? undefined
    : {
        law: 11,
        expected: `“${left.body.display}” after leaving it again`,
        found: `“${again.body.display}”`,
      };
}

/** Law 4: as many backspaces as there are characters empty the field. */
function isNeverStuck(subject: LawSubject, after: FieldState): Breach | undefined {
  const { field, exemptions, atomsOf } = subject;
  let state = apply(field, after, { type: 'focus' });
  const { length } = state.body.display;
  state = apply(field, state, { type: 'select', start: length, end: length });
  const passed = exemptions.hasPassed?.(state.body, state.start) ? 1 : 0;
  const count = atomsOf(state.body).length + passed;
  for (let i = 0; i < count; i++) state = apply(field, state, { type: 'backspace' });
  return state.body.content === ''
    ? undefined
    : {
        law: 4,
        expected: `nothing left after ${count} backspaces`,
        found: drawn(state),
        further: [{ do: 'end' }, { do: 'backspace', times: count }],
      };
}

const ofStates = [displayReadsBack, writesBack, leavesOnce, isNeverStuck] as const;

/** The first law that a state breaks. */
export function breachIn(subject: LawSubject, state: FieldState, but = noLaws): Breach | undefined {
  for (const law of ofStates) {
    const breach = law(subject, state);
    if (breach && !but.has(breach.law)) return breach;
  }
  return undefined;
}
