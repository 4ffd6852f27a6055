import type { Reason } from './cells.ts';
import { boundaryAt, graphemes } from './graphemes.ts';
import { type Body, type Edited, type Extent, kindOf, type Taken } from './kind.ts';
import type { CompiledField } from './plan.ts';

/** A body with its selection: what undo brings back. Offsets are UTF-16 units of the display. */
interface Snap<B extends Body = Body> {
  readonly body: B;
  readonly start: number;
  readonly end: number;
}

/** One step of history: how it was before, how it was right after (its own body and selection), and the steps beneath. */
interface Step extends Snap {
  readonly before: Snap;
  readonly body: Body;
  readonly start: number;
  readonly end: number;
  readonly rest: Step | null;
}

/** Everything a field is at one moment. Immutable; `apply` makes the next one. */
export interface FieldState<B extends Body = Body> extends Snap<B> {
  readonly focused: boolean;
  /** Left at least once. */
  readonly touched: boolean;
  /** Submitted at least once since the last reset. */
  readonly submitted: boolean;
  readonly past: Step | null;
  readonly future: Step | null;
  /** The kind of run that the next edit may join. */
  readonly run: 'none' | 'typing' | 'deleting';
  /** Why the last event was not carried out; `null` when it was. */
  readonly rejected: Reason | null;
  /** Letters and digits that the last event left out. */
  readonly leftOut: string;
}

/** Everything that can happen to a field. */
export type FieldEvent =
  | { readonly type: 'focus' | 'leave' | 'cut' | 'undo' | 'redo' | 'submit' | 'reset' }
  /** The arrow keys that step a number or a part of a date; other kinds leave them to the browser. */
  | { readonly type: 'up' | 'down' }
  /** A key: one character. */
  | { readonly type: 'key'; readonly text: string }
  /** Text in one insertion: the end of a composition, a suggestion taken from the keyboard. */
  | { readonly type: 'insert' | 'paste'; readonly text: string }
  /** A whole value, from the browser or the program. */
  | { readonly type: 'autofill' | 'set'; readonly text: string }
  | { readonly type: 'backspace' | 'delete' | 'word-backspace' }
  | { readonly type: 'select'; readonly start: number; readonly end: number };

/** The field before anything happened: its initial value, not focused. */
export function start<B extends Body = Body>(field: CompiledField): FieldState<B>;
export function start(field: CompiledField): FieldState {
  const kind = kindOf(field);
  const { plan } = field;
  const { body, caret } = field.initial ? kind.read(plan, field.initial) : kind.whole(plan, kind.empty(plan));
  const rested = kind.rest?.(plan, body) ?? body;
  const at = Math.min(caret, rested.display.length);
  return {
    body: rested,
    start: at,
    end: at,
    focused: false,
    touched: false,
    submitted: false,
    past: null,
    future: null,
    run: 'none',
    rejected: null,
    leftOut: '',
  };
}

/** What the event makes of the state. Never throws: what cannot be done is told in `rejected` and `leftOut`. */
export function apply<B extends Body>(
  field: CompiledField,
  state: FieldState<B>,
  event: FieldEvent,
): FieldState<B>;
export function apply(field: CompiledField, state: FieldState, event: FieldEvent): FieldState {
  const { around } = kindOf(field);
  return around ? around(field, state, event) : carryOut(field, state, event);
}

/** What the event makes of the state in a kind that adds nothing of its own. */
export function carryOut(field: CompiledField, state: FieldState, event: FieldEvent): FieldState {
  const kind = kindOf(field);
  const { plan } = field;
  switch (event.type) {
    case 'key': {
      // A keyboard that sends several characters at once, or none, inserts them.
      if (event.text.length !== 1 && graphemes(event.text).length !== 1)
        return take(state, kind.insert(plan, state.body, state.start, state.end, event.text), 'typing');
      const edited = kind.key(plan, state.body, state.start, state.end, event.text);
      return typeof edited === 'string' ? report(state, edited) : edit(state, edited, 'typing');
    }
    case 'insert':
    case 'paste': {
      const taken = kind.insert(plan, state.body, state.start, state.end, event.text);
      return take(state, taken, event.type === 'insert' ? 'typing' : 'none');
    }
    case 'set':
      // A program that hands back what it was told changes nothing, the caret least of all.
      if (event.text && event.text === kind.raw(plan, state.body)) return report(state);
      return take(state, kind.read(plan, event.text), 'none');
    case 'autofill':
      return take(state, kind.read(plan, event.text), 'none');
    case 'backspace':
      return remove(field, state, 'character-left');
    case 'delete':
      return remove(field, state, 'character-right');
    case 'word-backspace':
      return remove(field, state, 'word-left');
    case 'cut':
      return remove(field, state, 'selection');
    case 'undo':
      return state.past
        ? restore(state, state.past.before, state.past.rest, { ...state.past, rest: state.future })
        : report(state);
    case 'redo':
      return state.future
        ? restore(state, state.future, { ...state.future, rest: state.past }, state.future.rest)
        : report(state);
    case 'select':
      return select(field, state, event.start, event.end);
    case 'focus': {
      const { caret } = kind.whole(plan, state.body);
      return { ...select(field, state, caret, caret), focused: true };
    }
    case 'leave':
      return { ...report(state), run: 'none', focused: false, touched: state.touched || state.focused };
    case 'submit':
      return { ...report(state), run: 'none', submitted: true };
    case 'reset':
      return { ...start(field), focused: state.focused };
    default:
      return report(state);
  }
}

/** The state with what there is to tell of the last event. */
const report = (state: FieldState, rejected: Reason | null = null, leftOut = ''): FieldState =>
  state.rejected === rejected && state.leftOut === leftOut ? state : { ...state, rejected, leftOut };

/** An edit of several characters: refused when nothing of it was taken. */
function take(state: FieldState, taken: Taken, run: FieldState['run']): FieldState {
  const { rejected, leftOut } = taken;
  return rejected ? report(state, rejected, leftOut) : edit(state, taken, run, leftOut);
}

/**
 * Takes an edit into the history. Consecutive edits of one kind of run are one step; an edit that only moved
 * the caret (fixed text typed over) is none, and does not end a run.
 */
export function edit(state: FieldState, edited: Edited, run: FieldState['run'], leftOut = ''): FieldState {
  const { body, caret } = edited;
  const joins = run !== 'none' && run === state.run && state.past !== null;
  let past = state.past;
  if (joins) past = { before: past!.before, body, start: caret, end: caret, rest: past!.rest };
  else if (body !== state.body)
    past = {
      before: { body: state.body, start: state.start, end: state.end },
      body,
      start: caret,
      end: caret,
      rest: state.past,
    };
  return {
    body,
    start: caret,
    end: caret,
    focused: state.focused,
    touched: state.touched,
    submitted: state.submitted,
    past,
    future: body === state.body ? state.future : null,
    run: body === state.body && !joins ? 'none' : run,
    rejected: null,
    leftOut,
  };
}

function remove(field: CompiledField, state: FieldState, extent: Extent): FieldState {
  const edited = kindOf(field).erase(field.plan, state.body, state.start, state.end, extent);
  if (edited.body === state.body && edited.caret === state.start && state.start === state.end)
    return report(state);
  return edit(state, edited, extent === 'selection' ? 'none' : 'deleting');
}

function restore(state: FieldState, to: Snap, past: Step | null, future: Step | null): FieldState {
  return {
    ...report(state),
    body: to.body,
    start: to.start,
    end: to.end,
    past,
    future,
    run: 'none',
  };
}

function select(field: CompiledField, state: FieldState, from: number, to: number): FieldState {
  const { body } = state;
  const at = (offset: number): number => boundaryAt(body.display, offset);
  let a = at(from < to ? from : to);
  let b = at(from < to ? to : from);
  if (b < a) b = a;
  if (a === b) a = b = kindOf(field).stand?.(field.plan, body, a) ?? a;
  if (a === state.start && b === state.end) return report(state);
  return { ...report(state), start: a, end: b, run: 'none' };
}

/** The keys that typing `text` comes to: one a character. */
export const keysOf = (text: string): FieldEvent[] => graphemes(text).map((c) => ({ type: 'key', text: c }));
