import { apply } from '../field/apply.ts';
import { fieldName } from '../field/field-name.ts';
import type { FieldEvent } from '../field/field-state.ts';
import { refusalAfter } from '../field/refusing.ts';
import { sharedEvent, sharedText } from '../field/shared-text.ts';
import type { Finding } from '../rules/finding.ts';
import { countsInForm, evaluateInForm } from './evaluate-form.ts';
import { type FormState, fieldOf, type HydratedForm, idOf, startForm, withField } from './form.ts';
import { recordOf } from './record.ts';
import type { ServerFinding } from './sending.ts';

/** A server's finding about one field of a record; about the whole record if `field` is empty. */
export interface FieldFinding<F extends string = string> {
  readonly field: F;
  readonly code: string;
  /** The message to show. Without it the text of the code in the field's rules is used. */
  readonly message?: string;
}

/**
 * What can happen to a form: an event of the focused field, a focus change, submit, reset, or an answer of
 * the server.
 */
export type FormEvent =
  | { readonly type: 'focus'; readonly field: string }
  | { readonly type: 'leave' | 'submit' | 'reset' }
  /** `field`: an event of this field instead of the focused one, by a program or the browser. */
  | { readonly type: 'field'; readonly event: FieldEvent; readonly field?: string }
  /**
   * The server accepted the record or returned findings. Counts while sending; findings also after it was
   * sent, until something is edited.
   */
  | { readonly type: 'sent'; readonly findings?: readonly FieldFinding[] }
  /** The server could not be reached. */
  | { readonly type: 'unsent' };

/**
 * The state of a form after an event. `today` (ISO 8601) is the clock. An event for the focused field
 * changes nothing while no field has the focus. A second submit changes nothing while one is under way.
 * Editing a field while a submit waits for answers cancels that submit.
 *
 * @example
 * const state = applyToForm(booking, startForm(booking), { type: 'submit' }, '2027-02-10');
 */
export function applyToForm(form: HydratedForm, state: FormState, event: FormEvent, today = ''): FormState {
  switch (event.type) {
    case 'focus': {
      if (event.field === state.focus) return state;
      const left = at(form, state, state.focus, { type: 'leave' }, today);
      return { ...at(form, left, event.field, { type: 'focus' }, today), focus: event.field };
    }
    case 'leave':
      if (state.focus === null) return state;
      return { ...at(form, state, state.focus, { type: 'leave' }, today), focus: null };
    case 'submit':
      return submit(form, state, today);
    case 'reset': {
      const fresh = startForm(form);
      if (state.focus === null) return fresh;
      const { field, state: own } = fieldOf(form, state, state.focus);
      return { ...withField(form, fresh, field.id, apply(field, own, event)), focus: state.focus };
    }
    case 'field':
      return fieldEvent(form, state, event.field ?? state.focus, event.event, today);
    case 'sent':
      return sent(form, state, event.findings ?? [], today);
    case 'unsent':
      return state.sending.is === 'sending' ? { ...state, sending: { is: 'no', failed: true } } : state;
  }
}

/** The state after an event of one of the fields. Fields that share its value follow it. */
function at(
  form: HydratedForm,
  state: FormState,
  id: string | null,
  event: FieldEvent,
  today: string,
): FormState {
  if (id === null) return state;
  let next = alone(form, state, id, event, today);
  const others = form.sharing.get(id);
  if (!others || next === state) return next;
  const { field, state: own } = fieldOf(form, next, id);
  const text = sharedText(field, own.body);
  if (text === sharedText(field, fieldOf(form, state, id).state.body)) return next;
  for (const other of others) {
    const { field: its, state: before } = fieldOf(form, next, other);
    const set = sharedEvent(its, before.body, text);
    if (set) next = alone(form, next, other, set, today);
  }
  return next;
}

/** The state after an event of a field that changes no other field. */
function alone(
  form: HydratedForm,
  state: FormState,
  id: string,
  event: FieldEvent,
  today: string,
): FormState {
  const { field, state: before } = fieldOf(form, state, id);
  const after = apply(field, before, event);
  const next = after === before ? state : withField(form, state, id, after);
  if (!form.clearing.has(id)) return next;
  const rules = [...field.rules, ...(form.rulesAt.get(id) ?? [])];
  const refusal = refusalAfter(field, after, event, () => evaluateInForm(form, next, id, today), rules);
  return refusal ? withField(form, next, id, apply(field, after, refusal)) : next;
}

function fieldEvent(
  form: HydratedForm,
  state: FormState,
  id: string | null,
  event: FieldEvent,
  today: string,
): FormState {
  const next = at(form, state, id, event, today);
  if (id === null || next === state) return next;
  const { field, state: own } = fieldOf(form, next, id);
  const { body } = fieldOf(form, state, id).state;
  const isEdit = own.body.content !== body.content;
  const { sending } = next;
  const isAnswer = event.type === 'answer' || event.type === 'invalidate';
  if (sending.is === 'waiting' && (isAnswer || !isEdit)) return isAnswer ? decide(form, next, today) : next;
  // A pending or finished submit is about other content.
  const calm: FormState =
    isEdit && sending.is !== 'sending' && sending !== idle ? { ...next, sending: idle } : next;
  const isComplete = isEdit && form.completes === id && event.type !== 'undo' && event.type !== 'redo';
  return isComplete && field.kind.value(field.plan, own.body) !== null ? submit(form, calm, today) : calm;
}

const idle: FormState['sending'] = { is: 'no' };

/**
 * Submits every field that counts. The form is then sent, waits for answers, or is held back by its first
 * invalid field.
 */
function submit(form: HydratedForm, state: FormState, today: string): FormState {
  if (state.sending.is !== 'no' && state.sending.is !== 'sent') return state;
  let next = state;
  for (const { id } of form.fields)
    if (countsInForm(form, state, id)) next = at(form, next, id, { type: 'submit' }, today);
  return decide(form, { ...next, sending: { is: 'waiting' } }, today);
}

/**
 * Continues a form that waits for answers: it is sent, or held back by the first invalid field, which gets
 * the focus.
 */
function decide(form: HydratedForm, state: FormState, today: string): FormState {
  let isPending = false;
  for (const { id } of form.fields) {
    const { flags } = evaluateInForm(form, state, id, today);
    isPending ||= flags.pending;
    if (flags.valid) continue;
    return heldBack(form, state, id, today);
  }
  return isPending ? state : { ...state, sending: { is: 'sending', record: recordOf(form, state, today) } };
}

/** The state of a form that was held back by an invalid field, which gets the focus. */
const heldBack = (form: HydratedForm, state: FormState, wrong: string, today: string): FormState =>
  applyToForm(form, { ...state, sending: { is: 'no', wrong } }, { type: 'focus', field: wrong }, today);

/** Shows the server's findings at their fields until those are edited. */
function sent(
  form: HydratedForm,
  state: FormState,
  findings: readonly FieldFinding[],
  today: string,
): FormState {
  const { sending } = state;
  // A page that submits the record itself may receive errors after it reported success, or before its own
  // questions were answered.
  const isLate = sending.is === 'sent' || sending.is === 'waiting';
  if (sending.is === 'no' || (isLate && findings.length === 0)) return state;
  const record = sending.is === 'waiting' ? recordOf(form, state, today) : sending.record;
  const serverFindings: Record<string, ServerFinding> = {};
  for (const { field: name, code, message } of findings) {
    // Tapes have ids.
    const id = idOf(form, name);
    if (!form.places.has(id)) continue;
    const { field } = fieldOf(form, state, id);
    const raw = record.raw[fieldName(field)];
    if (raw === undefined) continue;
    const { rules } = field;
    const worded = message ?? rules.find(({ words }) => words?.[code])?.words?.[code];
    const finding: Finding = { verdict: 'fail', code, data: {} };
    serverFindings[id] ??= { raw, finding: worded === undefined ? finding : { ...finding, message: worded } };
  }
  const wrong = form.fields.find(({ id }) => serverFindings[id])?.id;
  if (wrong !== undefined) return heldBack(form, { ...state, serverFindings }, wrong, today);
  const [first] = findings;
  if (first) return { ...state, serverFindings, sending: { is: 'no', said: first.message ?? first.code } };
  return { ...state, serverFindings, sending: { is: 'sent', record } };
}

/**
 * The ids of the fields whose evaluation an event may change.
 *
 * @example
 * const before = startForm(booking);
 * const ids = reachOf(booking, before, { type: 'submit' }, applyToForm(booking, before, { type: 'submit' }));
 */
export function reachOf(
  form: HydratedForm,
  before: FormState,
  event: FormEvent,
  after: FormState,
): readonly string[] {
  const all = (): readonly string[] => form.fields.map(({ id }) => id);
  // A submit changes every field, whatever caused it, and so does its end.
  if (before.sending !== after.sending && before.sending.is !== after.sending.is) return all();
  const direct = new Set<string | null>();
  switch (event.type) {
    case 'submit':
    case 'reset':
    case 'sent':
    case 'unsent':
      return before === after ? [] : all();
    case 'focus':
    case 'leave':
      break;
    case 'field':
      direct.add(event.field ?? before.focus);
  }
  if (before.focus !== after.focus) direct.add(before.focus).add(after.focus);
  return [...new Set([...direct].flatMap((id) => (id === null ? [] : (form.concerns.get(id) ?? []))))];
}
