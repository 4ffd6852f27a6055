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

/** Tells what there is to tell of a state: raw, value, flags, messages. */
export type Evaluate = <V extends string>(
  field: HydratedField<Plan, TextState, V>,
  state: FieldState,
) => Evaluation<V>;

/**
 * One field's state and those who watch it. The only thing here that changes is which state is the present one;
 * display, raw, value, caret and messages are all read from it, so they cannot drift apart.
 */
export interface FieldStore<V extends string = string> {
  readonly field: HydratedField<Plan, TextState, V>;
  /** It stands in a form, through which submit and reset reach it. */
  readonly inForm?: true;
  /** The field now. */
  state(): FieldState;
  /** What can be told of the present state; the same object until the state changes. */
  evaluation(): Evaluation<V>;
  /** Lets something happen; returns the field after it. */
  dispatch(event: FieldEvent): FieldState;
  /** Puts the field into an earlier state, whole: stepping through a tape. */
  restore(state: FieldState): void;
  /** Calls back after each change, in order, each with its event and the state that led to; returns the way to stop. */
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
