import type { Body, FieldEvent, FieldState, OpenField, Plan, Reading } from '@arbeit/engine/field';
import { apply, refusalAfter, start } from '@arbeit/engine/field';
import { createListeners } from './listeners.ts';

/** Tells what there is to tell of a state: raw, value, flags, messages. */
export type Read = <V extends string>(field: OpenField<Plan, Body, V>, state: FieldState) => Reading<V>;

/**
 * One field's state and those who watch it. The only thing here that changes is which state is the present one;
 * display, raw, value, caret and messages are all read from it, so they cannot drift apart.
 */
export interface FieldStore<V extends string = string> {
  readonly field: OpenField<Plan, Body, V>;
  /** It stands in a form, through which submit and reset reach it. */
  readonly inForm?: true;
  /** The field now. */
  state(): FieldState;
  /** What can be told of the present state; the same object until the state changes. */
  reading(): Reading<V>;
  /** Lets something happen; returns the field after it. */
  dispatch(event: FieldEvent): FieldState;
  /** Puts the field into an earlier state, whole: stepping through a tape. */
  restore(state: FieldState): void;
  /** Calls back after each change, in order, each with its event and the state that led to; returns the way to stop. */
  subscribe(listener: (state: FieldState, event: FieldEvent | null) => void): () => void;
}

/**
 * A store of one field. `read` is `read` of `packages/engine/src/field/reading.ts`; it is handed in, so that a page carries
 * only the checks its fields need. Limits such as `today+18m` need a clock: hand in `readOn()` of `clock.ts` then.
 */
export function createStore<V extends string = string>(
  field: OpenField<Plan, Body, V>,
  read: Read,
  initial: FieldState = start(field),
): FieldStore<V> {
  let state = initial;
  let reading: Reading<V> | undefined;
  const listeners = createListeners<[FieldState, FieldEvent | null]>();
  const become = (next: FieldState, event: FieldEvent | null): FieldState => {
    if (next === state) return state;
    state = next;
    reading = undefined;
    listeners.tell(next, event);
    return next;
  };
  const readNow = (): Reading<V> => {
    reading ??= read(field, state);
    return reading;
  };
  return {
    field,
    state: () => state,
    reading: readNow,
    dispatch(event) {
      become(apply(field, state, event), event);
      const refusal = refusalAfter(field, state, event, readNow);
      return refusal ? become(apply(field, state, refusal), refusal) : state;
    },
    restore: (to) => {
      become(to, null);
    },
    subscribe: listeners.add,
  };
}
