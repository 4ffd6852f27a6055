import type { FieldStore } from '@arbeit/dom/stores';

/** What a control of React Native can do; `TextInput` and `Pressable` have both. */
export interface NativeControl {
  /** Gives it the focus, which opens the keyboard. */
  focus(): void;
  /** Takes the focus away, which closes the keyboard. */
  blur(): void;
}

/** The control of each field that is drawn. */
const controls = new WeakMap<FieldStore, NativeControl>();

/** The text control that has the focus. Picking an option does not take the focus away from it. */
let focused: NativeControl | null = null;

/** Remembers the control of a field while it is drawn. Returns a function that forgets it. */
export function keepControl(store: FieldStore, control: NativeControl): () => void {
  controls.set(store, control);
  return () => {
    if (focused === control) focused = null;
    if (controls.get(store) === control) controls.delete(store);
  };
}

/** Moves the focus to the control of a field, if it is drawn. */
export const focusField = (store: FieldStore): void => controls.get(store)?.focus();

/** Notes that the text control of a field has the focus. */
export function noteFocus(store: FieldStore): void {
  focused = controls.get(store) ?? null;
}

/** Takes the focus away from the text control that has it, and closes the keyboard. */
export function endFocus(): void {
  focused?.blur();
  focused = null;
}
