import type {
  Evaluation,
  FieldEvent,
  FieldState,
  HydratedField,
  Plan,
  TextState,
} from '@arbeit/engine/field';
import { apply, refusalAfter, start } from '@arbeit/engine/field';
import { createListeners } from './listeners.ts';

/** Returns the evaluation of a state: raw, value, flags, messages. */
export type Evaluate = <V extends string>(
  field: HydratedField<Plan, TextState, V>,
  state: FieldState,
) => Evaluation<V>;

/**
 * The state of one field and its subscribers. Only the current state changes; display, raw, value, caret and
 * messages are computed from it, so they always agree.
 */
export interface FieldStore<V extends string = string> {
  readonly field: HydratedField<Plan, TextState, V>;
  /** The field is in a form, which submits and resets it. */
  readonly inForm?: true;
  /** The current state. */
  state(): FieldState;
  /** The evaluation of the current state; the same object until the state changes. */
  evaluation(): Evaluation<V>;
  /** Applies an event and returns the new state. */
  dispatch(event: FieldEvent): FieldState;
  /** Restores an earlier state as a whole, for stepping through a tape. */
  restore(state: FieldState): void;
  /**
   * Calls `listener` after each change, in order, with the event and the new state. Returns a function that
   * unsubscribes.
   */
  subscribe(listener: (state: FieldState, event: FieldEvent | null) => void): () => void;
}

/**
 * A store of one field. `read` is `evaluate`, or `evaluateOn()` for fields with limits such as `today+18m`;
 * it is a parameter so that a page carries only the checks its fields need.
 *
 * @example
 * const live = createStore(pass, evaluateOn('2027-02-10'));
 * live.dispatch({ type: 'set', text: '1234' });
 */
export function createStore<V extends string = string>(
  field: HydratedField<Plan, TextState, V>,
  read: Evaluate,
  initial: FieldState = start(field),
): FieldStore<V> {
  let state = initial;
  let evaluation: Evaluation<V> | undefined;
  const listeners = createListeners<[FieldState, FieldEvent | null]>();
  const become = (next: FieldState, event: FieldEvent | null): FieldState => {
    if (next === state) return state;
    state = next;
    evaluation = undefined;
    listeners.tell(next, event);
    return next;
  };
  const readNow = (): Evaluation<V> => {
    evaluation ??= read(field, state);
    return evaluation;
  };
  return {
    field,
    state: () => state,
    evaluation: readNow,
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
