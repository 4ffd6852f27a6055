import { apply, type FieldEvent, type FieldState } from '@arbeit/engine/field';
import { type Host, tellHost } from './host.ts';
import type { Range } from './replaced.ts';
import type { FieldStore } from './store.ts';
import type { TextControl } from './text-control.ts';

/**
 * An input bound to a field, and what has to be remembered between two events of the page. The field itself is in its store
 * alone: this is about what the browser is in the middle of.
 */
export interface Bound {
  readonly input: TextControl;
  readonly store: FieldStore;
  readonly host: Host;
  /** The text and selection a composition began with. Nothing is written to the input while there is one. */
  composing: Range | null;
  /** The same for a text being dragged out of the field. */
  dragged: Range | null;
  /** Where the selection stood when the browser announced a change that cannot be held back. */
  announced: Range | null;
  /** What of the text was selected when the focus left, by the browser. */
  left: Range;
  /** Where the caret was put for the next focus: the browser goes there by itself, unless somebody selects something before. */
  parked: number;
  /** A pointer is down on it: it says itself where the caret goes. */
  isPressed: boolean;
  /** What the input showed when it was last looked at: anything else somebody has put there. */
  shown: string;
  /** The raw value when the page was last told of a change. */
  settled: string;
  /** The field is changed by this input just now: it shows that itself. */
  isOurs: boolean;
  /** An event of ours is on its way. */
  isTelling: boolean;
}

export const hasFocus = ({ input }: Bound): boolean =>
  (input.getRootNode() as Document | ShadowRoot).activeElement === input;

/** What stands in the input and what of it is selected. */
export function selected({ input }: Bound): Range {
  const { value: text, selectionStart, selectionEnd } = input;
  return { text, start: selectionStart ?? text.length, end: selectionEnd ?? text.length };
}

/** The setter of the prototype, so that frameworks that watch the element see what is written. */
const nativeValue = (input: TextControl): PropertyDescriptor | undefined =>
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(input), 'value');

/** Shows the present state. */
export function show(bound: Bound): void {
  const { input, store, host } = bound;
  const { body, start, end } = store.state();
  if (!bound.composing) {
    if (input.value !== body.display) nativeValue(input)?.set?.call(input, body.display);
    bound.shown = body.display;
    if (!hasFocus(bound)) park(bound);
    else if (input.selectionStart !== start || input.selectionEnd !== end) place(bound);
  }
  tellHost(host, store.evaluation());
}

/**
 * Puts the caret of an input without the focus where the next focus is to find it. Browsers restore it as they focus the input, later than a focus handler
 * can read it; so a program that selects before it focuses keeps its selection. Of a text that changes with the focus the place tells only whether
 * anybody has selected something else.
 */
function park(bound: Bound): void {
  const { input, store, left } = bound;
  const { body, start } = apply(store.field, store.state(), { type: 'focus' });
  const { length } = input.value;
  bound.parked = body.display === input.value ? start : left.start === 0 && left.end === 0 ? length : 0;
  if (input.selectionStart !== bound.parked || input.selectionEnd !== bound.parked)
    input.setSelectionRange(bound.parked, bound.parked);
}

/**
 * Puts the caret where the field has it, without asking where it is: in the middle of a transition a getter may answer for a moment that
 * is over, as WebKit's does in a focus handler.
 */
export function place({ input, store }: Bound): void {
  const { start, end } = store.state();
  // The end that moves with Shift stays the one it was.
  const direction = start === end ? 'none' : (input.selectionDirection ?? 'none');
  input.setSelectionRange(start, end, direction);
}

/** Dispatches what this input itself leads to; what comes from elsewhere is shown by the subscription. */
export function dispatch(bound: Bound, event: FieldEvent): FieldState {
  const before = bound.isOurs;
  bound.isOurs = true;
  try {
    return bound.store.dispatch(event);
  } finally {
    bound.isOurs = before;
  }
}

/** Tells the page, as the browser would have, had it done the edit itself. */
export function tell(bound: Bound, type: 'input' | 'change', init: InputEventInit = {}): void {
  bound.isTelling = true;
  const event =
    type === 'input'
      ? new InputEvent('input', { bubbles: true, composed: true, ...init })
      : new Event('change', { bubbles: true });
  bound.input.dispatchEvent(event);
  bound.isTelling = false;
}

export function tellChange(bound: Bound): void {
  const { raw } = bound.store.evaluation();
  if (raw === bound.settled) return;
  bound.settled = raw;
  tell(bound, 'change');
}

/** Events one after the other, shown once and told where they changed anything. */
export function carryOut(bound: Bound, events: readonly FieldEvent[], init: InputEventInit): void {
  const { store } = bound;
  const before = store.state().body;
  for (const event of events) dispatch(bound, event);
  show(bound);
  if (store.state().body !== before) tell(bound, 'input', init);
}
