// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './calendar.ts';
export * from './commands.ts';
export * from './copy-text.ts';
export * from './dialog.ts';
export * from './entries.ts';
export * from './folded-line.ts';
export * from './found-out.ts';
export * from './help.ts';
export * from './keys.ts';
export * from './later.ts';
export * from './on-paper.ts';
export * from './page-controls.ts';
export * from './palette.ts';
export * from './shared.ts';
export * from './sheet-switch.ts';
