// Texts of `ui/commands.tsx`.

export { commands, keyboardShortcuts } from './shared.ts';

export const general = 'General';
export const allCommands = 'All commands';
export const ctrlK = 'Ctrl K';
