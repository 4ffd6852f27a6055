import { apply, type FieldEvent, type FieldState } from '@arbeit/engine/field';
import { type Host, tellHost } from './host.ts';
import type { Range } from './replaced.ts';
import type { FieldStore } from './store.ts';
import type { TextControl } from './text-control.ts';

/**
 * An input bound to a field, with what must be remembered between two browser events. The field itself is
 * only in its store.
 */
export interface Bound {
  readonly input: TextControl;
  readonly store: FieldStore;
  readonly host: Host;
  /**
   * Text and selection at the start of a composition. While there is one, nothing is written to the input.
   */
  composing: Range | null;
  /** Text and selection at the start of a drag out of the field. */
  dragged: Range | null;
  /** Selection when the browser announced a change that cannot be prevented. */
  announced: Range | null;
  /** What was selected when the focus left. */
  left: Range;
  /**
   * Where the caret was put for the next focus. The browser restores it unless somebody selects something
   * before.
   */
  parked: number;
  /** Whether a pointer is down on the input: it places the caret itself. */
  isPressed: boolean;
  /** Text of the input when it was last read. Anything else was put there by somebody else. */
  shown: string;
  /** Raw value when the page was last notified of a change. */
  settled: string;
  /** Whether the field is being changed by this input, which shows that itself. */
  isOurs: boolean;
  /** Whether an event dispatched by this binding is being handled. */
  isTelling: boolean;
}

export const hasFocus = ({ input }: Bound): boolean =>
  (input.getRootNode() as Document | ShadowRoot).activeElement === input;

/** Text and selection of the input. */
export function selected({ input }: Bound): Range {
  const { value: text, selectionStart, selectionEnd } = input;
  return { text, start: selectionStart ?? text.length, end: selectionEnd ?? text.length };
}

/** The value setter of the prototype, so that frameworks that watch the element notice the change. */
const nativeValue = (input: TextControl): PropertyDescriptor | undefined =>
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(input), 'value');

/** Shows the state of the store in the input. */
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
 * Sets the caret of an input without focus to where the next focus must find it. Browsers restore the caret
 * when they focus the input, later than a focus handler can read it; so a program that selects before it
 * focuses keeps its selection. For a text that changes on focus, the caret only shows whether something else
 * was selected.
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
 * Puts the caret where the field has it without reading it first: during a focus event WebKit's getters
 * return an old value.
 */
export function place({ input, store }: Bound): void {
  const { start, end } = store.state();
  // The end that moves with Shift stays the same.
  const direction = start === end ? 'none' : (input.selectionDirection ?? 'none');
  input.setSelectionRange(start, end, direction);
}

/** Dispatches an event that comes from this input. Changes from elsewhere are shown by the subscription. */
export function dispatch(bound: Bound, event: FieldEvent): FieldState {
  const before = bound.isOurs;
  bound.isOurs = true;
  try {
    return bound.store.dispatch(event);
  } finally {
    bound.isOurs = before;
  }
}

/** Dispatches `input` or `change`, as the browser would have after an edit of its own. */
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

/** Applies several events, shows the result once, and notifies the page if anything changed. */
export function carryOut(bound: Bound, events: readonly FieldEvent[], init: InputEventInit): void {
  const { store } = bound;
  const before = store.state().body;
  for (const event of events) dispatch(bound, event);
  show(bound);
  if (store.state().body !== before) tell(bound, 'input', init);
}
