import type { Evaluation, FieldEvent, FieldState, HydratedField } from '@arbeit/engine/field';
import {
  applyToForm,
  evaluateInForm,
  type FormEvent,
  type FormState,
  fieldOf,
  type HydratedForm,
  idOf,
  reachOf,
  startForm,
  type Values,
  withField,
} from '@arbeit/engine/form';
import { localToday } from './clock.ts';
import { createListeners, type Listeners } from './listeners.ts';
import type { FieldStore } from './store.ts';

/** The state of a form and its subscribers. Fields, focus and messages are only kept here. */
export interface FormStore<V extends Values = Values> {
  readonly form: HydratedForm<V>;
  /** The current state. */
  state(): FormState;
  /** The evaluation of a field; the same object until something it depends on changes. */
  evaluation(id: string): Evaluation;
  /** Whether every field that counts passes all its rules of severity `error`. */
  isReady(): boolean;
  /** Applies an event and returns the new state. */
  dispatch(event: FormEvent): FormState;
  /**
   * A view of one field, by its name (`fieldName`) or id, for binding and drawing. It keeps no state of its
   * own.
   */
  field<I extends keyof V & string>(name: I): FieldStore<NonNullable<V[I]> & string>;
  /** Calls `listener` after each change, in order. Returns a function that unsubscribes. */
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
  /** Listeners of single fields: a key notifies nobody else. */
  const watched = new Map(
    form.fields.map(({ id }) => [id, createListeners<[FieldState, FieldEvent | null]>()]),
  );
  const fields = new Map<string, FieldStore>();
  /** Ids of fields with an error, and of fields to evaluate before that is known. */
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
    field<I extends keyof V & string>(name: I) {
      const id = idOf(form, name);
      const found = fields.get(id) ?? viewOf(own, id);
      fields.set(id, found);
      // The form's own declaration gives the type of its values.
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
    const before = from.field(id);
    const field = to.field(id);
    // In another language a text has the same display: half of a date is kept. What is picked has another.
    if (originOf(before.field) === originOf(field.field) && field.field.kind.control !== 'picks') {
      field.restore({ ...before.state(), focused: false });
      continue;
    }
    const { touched, submitted } = before.state();
    const { raw } = from.evaluation(id);
    if (raw !== field.evaluation().raw) field.dispatch({ type: 'set', text: raw });
    field.restore({ ...field.state(), touched, submitted });
  }
}

/** The original of a translated field, or the field itself. */
const originOf = (field: HydratedField): HydratedField => field.original ?? field;

/** What a view of one field needs of its form's store. */
interface Own extends Pick<FormStore, 'form' | 'state' | 'evaluation' | 'dispatch'> {
  restore(id: string, to: FieldState): void;
  listenersOf(id: string): Listeners<[FieldState, FieldEvent | null]>;
}

/** A store of one field of a form that keeps no state of its own. */
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

/** The event for one field of the form; `null` if only its evaluation changed. */
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
