/**
 * Types held keys into the focused control, one after another. React handles each before the next one, as it
 * does when a person types.
 */
export async function replayKeys(keys: readonly KeyboardEvent[]): Promise<void> {
  for (const { key, shiftKey } of keys) {
    const target = document.activeElement ?? document.body;
    // Deprecated, yet the only way to type into a control with its own history of undo.
    if (key.length === 1) document.execCommand('insertText', false, key);
    else if (key === 'Backspace') document.execCommand('delete');
    else {
      const event = new KeyboardEvent('keydown', { key, shiftKey, bubbles: true, cancelable: true });
      const isDefault = target.dispatchEvent(event);
      // What the browser does with a real Enter, it does not with an event made by a script.
      if (isDefault && key === 'Enter' && target instanceof HTMLInputElement) target.form?.requestSubmit();
      if (isDefault && key === 'Enter' && target instanceof HTMLButtonElement) target.click();
    }
    await null;
  }
}
