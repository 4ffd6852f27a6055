// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './choice.ts';
export * from './code.ts';
export * from './files.ts';
export * from './hand-off-sheet.ts';
export * from './made.ts';
export * from './on-server.ts';
export * from './shared.ts';
export * from './snippets.ts';
export * from './take-away.ts';
export * from './use-made.ts';
export * from './weight-words.ts';
export * from './weights.ts';
