import { boundaryAt } from '../values/graphemes.ts';
import { carryOut, edit } from './apply.ts';
import type { Plan } from './compiled.ts';
import type { FieldEvent, FieldState } from './field-state.ts';
import type { HydratedField } from './kind.ts';
import type { TextState } from './text-state.ts';

/**
 * Applies an event in kinds with a resting text or steps. Leaving normalises the content. Without focus the
 * field shows its resting text, which is a view: edits apply to the text as typed. Other kinds do not carry
 * this.
 */
export function reduceResting<P extends Plan, B extends TextState>(
  field: HydratedField<P, B>,
  state: FieldState<B>,
  event: FieldEvent,
): FieldState<B> {
  const { plan, kind } = field;
  const { normalizeOnBlur, toResting, toEditing, step } = kind;
  const awake = toEditing && !state.focused ? withBody(state, toEditing(plan, state.body)) : state;
  const isStep = event.type === 'up' || event.type === 'down';
  const stepped = isStep && step?.(plan, awake.body, awake.start, event.type === 'up' ? 1 : -1);
  const after = stepped ? edit(awake, stepped, 'none') : carryOut(field, awake, event);
  if (after.focused || (!toResting && !normalizeOnBlur)) return after;
  // What was refused leaves the view as it was, with its selection.
  if (after.rejected && after.body === awake.body)
    return { ...after, body: state.body, start: state.start, end: state.end };
  const tidied =
    event.type === 'leave' && state.focused && normalizeOnBlur
      ? normalizeOnBlur(plan, after.body)
      : after.body;
  return withBody(after, toResting ? toResting(plan, tidied) : tidied);
}

/** The state with another view of the same content; the caret stays on a character boundary. */
function withBody<B extends TextState>(state: FieldState<B>, body: B): FieldState<B> {
  if (body === state.body) return state;
  const { display } = body;
  return { ...state, body, start: boundaryAt(display, state.start), end: boundaryAt(display, state.end) };
}
