import { nothingAsked, type QuestionEvent } from '../rules/questions.ts';
import { boundaryAt, graphemes } from '../values/graphemes.ts';
import type { Plan } from './compiled.ts';
import { hasClearRejected, hasRemoteChecks } from './features.ts';
import type { FieldEvent, FieldState, HistoryStep, Snapshot } from './field-state.ts';
import type { HydratedField } from './kind.ts';
import type { EditResult, Extent, InsertResult, Reason, TextState } from './text-state.ts';

/**
 * The state of a field before anything happened: its initial value, without focus.
 *
 * @example
 * const state = start(pass);
 */
export function start<P extends Plan, B extends TextState>({
  kind,
  plan,
  initial,
}: HydratedField<P, B>): FieldState<B> {
  const { body, caret } = initial ? kind.parse(plan, initial) : kind.caretAtEnd(plan, kind.empty(plan));
  const rested = kind.toResting?.(plan, body) ?? body;
  const at = Math.min(caret, rested.display.length);
  return {
    body: rested,
    start: at,
    end: at,
    focused: false,
    touched: false,
    submitted: false,
    questions: nothingAsked,
    past: null,
    future: null,
    run: 'none',
    rejected: null,
    leftOut: '',
    refused: null,
  };
}

/**
 * The state after an event. Never throws: what could not be done is in `rejected` and `leftOut`.
 *
 * @example
 * const [first = { type: 'focus' }] = keysOf('1');
 * const state = apply(pass, start(pass), first);
 */
export function apply<P extends Plan, B extends TextState>(
  field: HydratedField<P, B>,
  state: FieldState<NoInfer<B>>,
  event: FieldEvent,
): FieldState<B> {
  return field.kind.reduce ? field.kind.reduce(field, state, event) : carryOut(field, state, event);
}

/** The state after an event in a kind that handles no events itself. */
export function carryOut<P extends Plan, B extends TextState>(
  field: HydratedField<P, B>,
  state: FieldState<B>,
  event: FieldEvent,
): FieldState<B> {
  const { kind, plan } = field;
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
      // A program that sets the raw value it was given changes nothing, in particular not the caret.
      if (event.text && event.text === kind.raw(plan, state.body)) return report(state);
      return take(state, kind.parse(plan, event.text), 'none');
    case 'autofill':
      return take(state, kind.readText?.(plan, event.text) ?? kind.parse(plan, event.text), 'none');
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
      const { caret } = kind.caretAtEnd(plan, state.body);
      return { ...select(field, state, caret, caret), focused: true };
    }
    case 'leave':
      return { ...report(state), run: 'none', focused: false, touched: state.touched || state.focused };
    case 'submit':
      // Text rejected earlier is cleared; whether the field may be empty is for the rules to decide.
      return { ...report(state), run: 'none', submitted: true, refused: null };
    case 'ask':
    case 'answer':
    case 'ask-again':
      return hasRemoteChecks ? question(field, state, event) : state;
    case 'invalidate':
      return { ...state };
    case 'refuse': {
      if (!hasClearRejected) return state;
      const emptied = edit(state, kind.caretAtEnd(plan, kind.empty(plan)), 'none');
      return { ...emptied, refused: event.refused };
    }
    case 'reset':
      return { ...start(field), focused: state.focused };
    default:
      return report(state);
  }
}

/** The state after an event about questions to servers. */
function question<P extends Plan, B extends TextState>(
  { kind, plan, checks }: HydratedField<P, B>,
  state: FieldState<B>,
  event: QuestionEvent,
): FieldState<B> {
  const { questions: before } = state;
  const questions = checks.remoteCheck?.after(before, event, kind.raw(plan, state.body)) ?? before;
  return questions === before ? state : { ...state, questions };
}

/** The state with the result of the last event. */
const report = <B extends TextState>(
  state: FieldState<B>,
  rejected: Reason | null = null,
  leftOut = '',
): FieldState<B> =>
  state.rejected === rejected && state.leftOut === leftOut ? state : { ...state, rejected, leftOut };

/** The state after inserting several characters; rejected if nothing was inserted. */
function take<B extends TextState>(
  state: FieldState<B>,
  taken: InsertResult<B>,
  run: FieldState['run'],
): FieldState<B> {
  const { rejected, leftOut } = taken;
  return rejected ? report(state, rejected, leftOut) : edit(state, taken, run, leftOut);
}

/**
 * Adds an edit to the history. Consecutive edits of one kind are one step. An edit that only moves the caret
 * (fixed text typed over) is no step and does not end a run.
 */
export function edit<B extends TextState>(
  state: FieldState<B>,
  edited: EditResult<B>,
  run: FieldState['run'],
  leftOut = '',
): FieldState<B> {
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
    questions: state.questions,
    past,
    future: body === state.body ? state.future : null,
    run: body === state.body && !joins ? 'none' : run,
    rejected: null,
    leftOut,
    refused: body === state.body ? state.refused : null,
  };
}

function remove<P extends Plan, B extends TextState>(
  field: HydratedField<P, B>,
  state: FieldState<B>,
  extent: Extent,
): FieldState<B> {
  const edited = field.kind.erase(field.plan, state.body, state.start, state.end, extent);
  if (edited.body === state.body && edited.caret === state.start && state.start === state.end)
    return report(state);
  return edit(state, edited, extent === 'selection' ? 'none' : 'deleting');
}

function restore<B extends TextState>(
  state: FieldState<B>,
  to: Snapshot<B>,
  past: HistoryStep<B> | null,
  future: HistoryStep<B> | null,
): FieldState<B> {
  return {
    ...report(state),
    body: to.body,
    start: to.start,
    end: to.end,
    past,
    future,
    run: 'none',
    refused: null,
  };
}

function select<P extends Plan, B extends TextState>(
  field: HydratedField<P, B>,
  state: FieldState<B>,
  from: number,
  to: number,
): FieldState<B> {
  const { body } = state;
  const { boundaryAt: near = boundaryAt } = field.kind;
  const at = (offset: number): number => near(body.display, offset);
  let a = at(from < to ? from : to);
  let b = at(from < to ? to : from);
  if (b < a) b = a;
  if (a === b) a = b = field.kind.clampCaret?.(field.plan, body, a) ?? a;
  if (a === state.start && b === state.end) return report(state);
  return { ...report(state), start: a, end: b, run: 'none' };
}

/**
 * The key events of typing `text`, one per character.
 *
 * @example
 * keysOf('12'); // [{ type: 'key', text: '1' }, { type: 'key', text: '2' }]
 */
export const keysOf = (text: string): FieldEvent[] => graphemes(text).map((c) => ({ type: 'key', text: c }));
