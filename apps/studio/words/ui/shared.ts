// Texts that several files use.

export const appearance = 'Appearance';
export const keyboardShortcuts = 'Keyboard shortcuts';
export const commands = 'Commands';
