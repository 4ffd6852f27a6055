// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './api.ts';
export * from './error.ts';
export * from './glossary-page.ts';
export * from './guard.ts';
export * from './layout.ts';
export * from './live-preview.ts';
export * from './methods.ts';
export * from './not-found.ts';
export * from './proof-sheet.ts';
export * from './read-from-store.ts';
export * from './sets-fields-page.ts';
export * from './sets-forms-page.ts';
export * from './sets-hand-off-page.ts';
export * from './sets-refused-page.ts';
export * from './sets-revisions-page.ts';
export * from './sets-texts-page.ts';
export * from './sets-trials-page.ts';
export * from './shared.ts';
