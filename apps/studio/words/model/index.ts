// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './assumed.ts';
export * from './changed-words.ts';
export * from './condition-words.ts';
export * from './conflicts.ts';
export * from './differences.ts';
export * from './edited.ts';
export * from './field-edits.ts';
export * from './form-edits.ts';
export * from './import-document.ts';
export * from './key-words.ts';
export * from './kind-change.ts';
export * from './limit-words.ts';
export * from './new-parts.ts';
export * from './offers.ts';
export * from './other-sets.ts';
export * from './place-words.ts';
export * from './proof-sheet.ts';
export * from './rule-words.ts';
export * from './saver.ts';
export * from './send-save.ts';
export * from './set-options.ts';
export * from './shape-of.ts';
export * from './shared.ts';
export * from './shared-value.ts';
export * from './shortened.ts';
