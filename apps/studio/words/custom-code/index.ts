// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './code-check.ts';
export * from './shape-editor.ts';
export * from './shared.ts';
export * from './use-laws.ts';
