/** Controls of a dialog in the tab order. */
const reachable = 'a[href], button:not(:disabled), input:not(:disabled), select, textarea';

/** Moves the focus within the dialog around it as Tab does. */
function moveOn(from: Element, isBack: boolean): void {
  const all = [...(from.closest('[role="dialog"]')?.querySelectorAll<HTMLElement>(reachable) ?? [])];
  all.at((all.indexOf(from as HTMLElement) + (isBack ? -1 : 1)) % all.length)?.focus();
}

/**
 * Types held keys into the focused control of a dialog, one after another, once it has the focus. React
 * handles each before the next one, as it does when a person types.
 */
export async function replayKeys(keys: readonly KeyboardEvent[]): Promise<void> {
  for (const { key, shiftKey } of keys) {
    await null;
    const target = document.activeElement ?? document.body;
    // Deprecated, yet the only way to type into a control with its own history of undo.
    if (key.length === 1) document.execCommand('insertText', false, key);
    else if (key === 'Backspace') document.execCommand('delete');
    else {
      const event = new KeyboardEvent('keydown', { key, shiftKey, bubbles: true, cancelable: true });
      const isDefault = target.dispatchEvent(event);
      // What the browser does with real keys, it does not with events made by a script.
      if (isDefault && key === 'Enter' && target instanceof HTMLInputElement) target.form?.requestSubmit();
      if (isDefault && key === 'Enter' && target instanceof HTMLButtonElement) target.click();
      if (isDefault && key === 'Tab') moveOn(target, shiftKey);
    }
  }
}
