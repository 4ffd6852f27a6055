// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './audit.ts';
export * from './bring-function.tsx';
export * from './by-hands.tsx';
export * from './misses.ts';
export * from './mutation-tests.ts';
export * from './reached.ts';
export * from './shared.ts';
export * from './suggested-trials.ts';
export * from './tape-language.ts';
export * from './trial-list.ts';
export * from './trial-row.ts';
export * from './trial-tape.ts';
export * from './trials-sheet.ts';
export * from './use-function.ts';
export * from './use-trials.ts';
