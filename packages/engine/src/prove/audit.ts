import { apply, start } from '../field/apply.ts';
import type { FieldEvent, FieldState } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import type { KindTable } from '../kinds/contract/definition.ts';
import type { Action } from '../tape/script.ts';
import { fieldEvents, writeAction } from '../tape/verbs.ts';
import { headOf } from '../tape/write-tape.ts';
import { type Breach, type Law, lawWords } from './law.ts';
import { type LawSubject, subjectOf } from './law-subject.ts';
import { breachIn, typedAsPasted } from './laws-of-states.ts';
import { breachAt, type Memory } from './laws-of-steps.ts';
import { shortest } from './shorter.ts';
import { type TapeIngredients, tapeIngredientsOf, tapeMakerOf } from './tapes.ts';

/** The tapes of a law check. The same seed makes the same tapes for any number of threads. */
export interface Course {
  readonly seed: number;
  /** Number of the first tape. Default: 0. */
  readonly first?: number;
  /** Step between tapes played here: the number of threads. */
  readonly every?: number;
  /** ISO 8601. */
  readonly today: string;
}

/** A broken law of a field with the shortest tape that was found. */
export interface Counterexample extends Omit<Breach, 'further'> {
  /** The actions, one per line. */
  readonly actions: readonly string[];
  /** The text of the tape. */
  readonly tape: string;
  /** Number of the tape it was found with. */
  readonly at: number;
}

/** A progress report of one field. */
export interface Progress {
  /** Number of tapes and events so far. */
  readonly tapes: number;
  readonly events: number;
  /** A law that was not known to be broken. Each is reported once. */
  readonly found?: Counterexample;
}

type Actions = readonly Action[];

/** The events of an action. An action on a field without focus focuses it first. */
export function eventsOf(action: Action, state: FieldState, field: HydratedField): readonly FieldEvent[] {
  switch (action.do) {
    case 'focus':
      // A field with focus cannot be focused.
      return state.focused ? [] : [{ type: 'focus' }];
    case 'leave':
    case 'submit':
    case 'reset':
      return [{ type: action.do }];
    case 'wait':
    case 'answer':
    case 'sent':
      return [];
    default: {
      const events = fieldEvents(action, state, field);
      const isByHand = action.do !== 'set' && action.do !== 'autofill';
      return isByHand && !state.focused ? [{ type: 'focus' }, ...events] : events;
    }
  }
}

/** A broken law and the index of the action. */
interface Found {
  readonly breach: Breach;
  readonly index: number;
}

interface Walked {
  readonly found: Found | undefined;
  readonly events: number;
}

/**
 * Plays a tape and checks the laws at every step. Unless `isThorough`, expensive laws are checked at every
 * sixth step, and those of states only at the end: more tapes find more than checking everything on each.
 * `memory` holds the displays seen so far; laws in `but` are not checked.
 */
function walked(
  subject: LawSubject,
  actions: Actions,
  memory: Memory,
  { isThorough, but }: { readonly isThorough: boolean; readonly but: ReadonlySet<Law> },
): Walked {
  const { field } = subject;
  let events = 0;
  let state = start(field);
  let isFirst = true;
  const ended = (breach: Breach, index: number): Walked => ({ found: { breach, index }, events });
  for (const [index, action] of actions.entries()) {
    try {
      for (const event of eventsOf(action, state, field)) {
        const before = state;
        events++;
        state = apply(field, before, event);
        if (event.type === 'leave' || event.type === 'submit') isFirst = false;
        else if (event.type === 'reset') isFirst = true;
        const isAll = isThorough || events % 6 === 0;
        const moment = { before, event, after: state, isFirst };
        const breach = breachAt(subject, moment, memory, { isAll, but });
        if (breach) return ended(breach, index);
      }
      if (isThorough || index === actions.length - 1) {
        const breach = breachIn(subject, state, but);
        if (breach) return ended(breach, index);
      }
      if (index === 0 && action.do === 'type' && !but.has(8)) {
        const breach = typedAsPasted(subject, action.text);
        if (breach) return ended(breach, index);
      }
    } catch (error) {
      const breach: Breach = { law: 11, expected: 'nothing is thrown', found: String(error) };
      return but.has(11) ? { found: undefined, events } : ended(breach, index);
    }
  }
  return { found: undefined, events };
}

/** All laws except one. */
const butFor = (law: Law): ReadonlySet<Law> =>
  new Set(
    Object.keys(lawWords)
      .map(Number)
      .filter((one) => one !== law) as Law[],
  );

/** Number of contents remembered for law 1. */
const mostRemembered = 8000;

/** An action that clears the field, so that another tape can begin. */
const again: Action = { do: 'reset' };

/** Number of tapes between two reports. */
const atOnce = 20;

/** Runs the law check on a field with tapes made for it. */
export const auditField = (
  field: HydratedField,
  kinds: KindTable,
  course: Course,
): Generator<Progress, never> =>
  audit(subjectOf(field, kinds, course.today), tapeIngredientsOf(field, kinds, course.today), course);

/**
 * Checks the laws of a field: plays random tapes made of `matter` on it and checks its laws at every step. It
 * never ends; the caller decides when there was enough. Each broken law is reported once, with a tape as
 * short as possible.
 */
export function* audit(
  subject: LawSubject,
  matter: TapeIngredients,
  { seed, first = 0, every = 1 }: Course,
): Generator<Progress, never> {
  const make = tapeMakerOf(matter);
  const actionsAt = (at: number): Actions => make((seed ^ Math.imul(at + 1, 0x9e3779b1)) >>> 0);
  const told = new Set<Law>();
  let memory: Memory = new Map();
  /** The tapes whose contents are remembered. */
  let from = first;
  let tapes = 0;
  let events = 0;
  for (let at = first; ; at += every) {
    const actions = actionsAt(at);
    const one = walked(subject, actions, memory, { isThorough: false, but: told });
    tapes++;
    events += one.events;
    if (one.found) {
      told.add(one.found.breach.law);
      const { breach, index } = one.found;
      const own = actions.slice(0, index + 1);
      const whole = breach.law === 1 ? withEarlier(at, own) : own;
      yield { tapes, events, found: counterexampleOf(subject, whole, breach, at) };
      tapes = events = 0;
    }
    if (memory.size > mostRemembered) {
      memory = new Map();
      from = at + every;
    }
    if (tapes >= atOnce) {
      yield { tapes, events };
      tapes = events = 0;
    }
  }
  /** Law 1 compares with an earlier state, which may come from an earlier tape. That tape is put in front. */
  function withEarlier(at: number, actions: Actions): Actions {
    const isBroken = (all: Actions): boolean =>
      walked(subject, all, new Map(), { isThorough: true, but: butFor(1) }).found !== undefined;
    if (isBroken(actions)) return actions;
    for (let before = at - every; before >= from; before -= every) {
      const both = [...actionsAt(before), again, ...actions];
      if (isBroken(both)) return both;
    }
    return actions;
  }
}

/** A broken law with the shortest tape that shows it. */
function counterexampleOf(subject: LawSubject, actions: Actions, breach: Breach, at: number): Counterexample {
  const { law } = breach;
  const but = butFor(law);
  const look = (all: Actions): Found | undefined =>
    walked(subject, all, new Map(), { isThorough: true, but }).found;
  const short = shortest(actions, (all) => look(all)?.index);
  const { further = [], ...found } = look(short)?.breach ?? breach;
  const lines = [...short, ...further].map(writeAction);
  const head = headOf({ target: { type: 'field', id: subject.field.id }, today: subject.today });
  return { ...found, actions: lines, tape: `${head}${lines.join('\n')}\n`, at };
}
