// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './field-row.ts';
export * from './folded-sets.ts';
export * from './import-dialog.ts';
export * from './import-preview.ts';
export * from './import-preview-pane.ts';
export * from './set-dialogs.ts';
export * from './set-menu.ts';
export * from './set-section.ts';
export * from './several-dialog.ts';
export * from './shelf.ts';
