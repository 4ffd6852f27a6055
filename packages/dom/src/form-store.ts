import type { Evaluation, FieldEvent, FieldState } from '@arbeit/engine/field';
import {
  applyToForm,
  evaluateInForm,
  type FormEvent,
  type FormState,
  fieldOf,
  type HydratedForm,
  reachOf,
  startForm,
  type Values,
  withField,
} from '@arbeit/engine/form';
import { localToday } from './clock.ts';
import { createListeners, type Listeners } from './listeners.ts';
import type { FieldStore } from './store.ts';

/** A form's state and those who watch it: the one place where its fields, its focus and what they tell are kept. */
export interface FormStore<V extends Values = Values> {
  readonly form: HydratedForm<V>;
  /** The form now. */
  state(): FormState;
  /** What can be told of a field in its form; the same object until something it depends on changes. */
  evaluation(id: string): Evaluation;
  /** Whether each of its fields that counts passes every rule that is an error. */
  isReady(): boolean;
  /** Lets something happen; returns the form after it. */
  dispatch(event: FormEvent): FormState;
  /** One field of the form, as whoever binds or draws a field meets it. It keeps nothing of its own. */
  field<I extends keyof V & string>(id: I): FieldStore<NonNullable<V[I]> & string>;
  /** Calls back after each change, in order, each with the state that led to; returns the way to stop. */
  subscribe(listener: (state: FormState, event: FormEvent | null) => void): () => void;
}

/**
 * A store of a form. `today` (ISO 8601) is its clock; without it, the device's day at each evaluation.
 *
 * @example
 * const { subscribe, isReady } = createFormStore(booking, '2027-02-10');
 */
export function createFormStore<V extends Values = Values>(
  form: HydratedForm<V>,
  today?: string,
): FormStore<V> {
  let state = startForm(form);
  const readings = new Map<string, Evaluation>();
  const all = createListeners<[FormState, FormEvent | null]>();
  /** Of each field, who watches it alone: a key is told to nobody else. */
  const watched = new Map(
    form.fields.map(({ id }) => [id, createListeners<[FieldState, FieldEvent | null]>()]),
  );
  const fields = new Map<string, FieldStore>();

  /** Fields with something wrong, and those to be looked at again before that can be said. */
  const wrong = new Set<string>();
  const unseen = new Set(form.places.keys());

  const become = (next: FormState, event: FormEvent | null, reached: readonly string[]): FormState => {
    if (next === state) return state;
    const before = state;
    state = next;
    for (const id of reached) {
      readings.delete(id);
      unseen.add(id);
    }
    for (const id of reached)
      watched.get(id)?.tell(fieldOf(form, next, id).state, event && eventAt(event, id, before.focus));
    all.tell(next, event);
    return next;
  };
  const dispatch = (event: FormEvent): FormState => {
    const next = applyToForm(form, state, event, today ?? localToday());
    return next === state ? state : become(next, event, reachOf(form, state, event, next));
  };
  const evaluation = (id: string): Evaluation => {
    let found = readings.get(id);
    if (!found) {
      found = evaluateInForm(form, state, id, today ?? localToday());
      readings.set(id, found);
    }
    return found;
  };

  const own: Own = {
    form,
    state: () => state,
    evaluation,
    dispatch,
    restore(id, to) {
      become(withField(form, state, id, to), null, form.concerns.get(id) ?? []);
    },
    // Every field of the form has its listeners.
    listenersOf: (id) => watched.get(id)!,
  };
  return {
    form,
    state: () => state,
    evaluation,
    isReady() {
      for (const id of unseen)
        if (evaluation(id).flags.valid) wrong.delete(id);
        else wrong.add(id);
      unseen.clear();
      return wrong.size === 0;
    },
    dispatch,
    field<I extends keyof V & string>(id: I) {
      const found = fields.get(id) ?? viewOf(own, id);
      fields.set(id, found);
      // What values it can have, the form's own declaration says.
      return found as FieldStore<NonNullable<V[I]> & string>;
    },
    subscribe: all.add,
  };
}

/**
 * Copies what was filled in from one form to the form that replaces it: values and flags of the fields that
 * are in both. For definitions that change while they are tried.
 *
 * @example
 * carryOver(formStore, createFormStore(booking));
 */
export function carryOver(from: FormStore, to: FormStore): void {
  for (const { id } of to.form.fields) {
    if (!from.form.places.has(id)) continue;
    const { touched, submitted } = from.field(id).state();
    const { raw } = from.evaluation(id);
    const field = to.field(id);
    if (raw !== field.evaluation().raw) field.dispatch({ type: 'set', text: raw });
    field.restore({ ...field.state(), touched, submitted });
  }
}

/** What one field of a form asks of its store. */
interface Own extends Pick<FormStore, 'form' | 'state' | 'evaluation' | 'dispatch'> {
  restore(id: string, to: FieldState): void;
  listenersOf(id: string): Listeners<[FieldState, FieldEvent | null]>;
}

/** One field of the form as a store of its own, which keeps nothing. */
function viewOf(own: Own, id: string): FieldStore {
  const { field } = fieldOf(own.form, own.state(), id);
  const present = () => fieldOf(own.form, own.state(), id).state;
  return {
    field,
    inForm: true,
    state: present,
    evaluation: () => own.evaluation(id),
    dispatch(event) {
      if (event.type === 'focus') own.dispatch({ type: 'focus', field: id });
      else if (event.type !== 'leave') own.dispatch({ type: 'field', event, field: id });
      else if (own.state().focus === id) own.dispatch({ type: 'leave' });
      return present();
    },
    restore: (to) => own.restore(id, to),
    subscribe: own.listenersOf(id).add,
  };
}

/** What an event of the form is to one of its fields; `null` where it only changed what is told of it. */
function eventAt(event: FormEvent, id: string, focus: string | null): FieldEvent | null {
  switch (event.type) {
    case 'focus':
      return id === event.field ? { type: 'focus' } : id === focus ? { type: 'leave' } : null;
    case 'leave':
      return id === focus ? { type: 'leave' } : null;
    case 'submit':
    case 'reset':
      return { type: event.type };
    case 'field':
      return id === (event.field ?? focus) ? event.event : null;
    case 'sent':
    case 'unsent':
      return null;
  }
}
