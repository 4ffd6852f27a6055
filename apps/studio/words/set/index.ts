// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './choice-dialog.ts';
export * from './field-dialogs.ts';
export * from './field-menu.ts';
export * from './found.ts';
export * from './masthead.ts';
export * from './new-field-command.ts';
export * from './new-field-dialog.ts';
export * from './refused-versions.ts';
export * from './save-line.ts';
export * from './tour.ts';
export * from './tour-band.ts';
export * from './use-comparing.ts';
