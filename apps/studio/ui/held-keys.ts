/** The keys pressed since a dialog was requested that is not loaded yet; `null` if there is none. */
let held: KeyboardEvent[] | null = null;

const controls = ['Enter', 'Backspace', 'Tab', 'Escape'];

function hold(event: KeyboardEvent): void {
  const isCommand = (event.ctrlKey || event.metaKey || event.altKey) && !event.getModifierState('AltGraph');
  if (isCommand || (event.key.length > 1 && !controls.includes(event.key))) return;
  event.preventDefault();
  event.stopImmediatePropagation();
  held?.push(event);
}

/**
 * Keeps the keys that are pressed from now on away from the page, for a dialog that is still loading: they
 * are meant for the dialog.
 */
export function holdKeys(): void {
  if (held) return;
  held = [];
  window.addEventListener('keydown', hold, true);
}

/** Stops holding keys and returns those that were held, in the order in which they were pressed. */
export function takeHeldKeys(): readonly KeyboardEvent[] {
  window.removeEventListener('keydown', hold, true);
  const all = held ?? [];
  held = null;
  return all;
}
