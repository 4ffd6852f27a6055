import { boundaryAt } from './graphemes.ts';
import { type Body, kindOf } from './kind.ts';
import type { CompiledField } from './plan.ts';
import { carryOut, edit, type FieldEvent, type FieldState } from './state.ts';

/**
 * What kinds with a resting text or with steps add around every event: away from the focus a field shows its
 * resting text, and what is done to it then is done to the text it is typed as. A kind that has neither carries
 * nothing of this.
 */
export function around(field: CompiledField, state: FieldState, event: FieldEvent): FieldState {
  const { rest, wake, step } = kindOf(field);
  const { plan } = field;
  const awake = wake && !state.focused ? withBody(state, wake(plan, state.body)) : state;
  const isStep = event.type === 'up' || event.type === 'down';
  const stepped = isStep && step?.(plan, awake.body, awake.start, event.type === 'up' ? 1 : -1);
  const after = stepped ? edit(awake, stepped, 'none') : carryOut(field, awake, event);
  return after.focused || !rest ? after : withBody(after, rest(plan, after.body));
}

/** Another way to show the same; the caret stays on a character boundary inside. */
function withBody(state: FieldState, body: Body): FieldState {
  if (body === state.body) return state;
  const { display } = body;
  return { ...state, body, start: boundaryAt(display, state.start), end: boundaryAt(display, state.end) };
}
