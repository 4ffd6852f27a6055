// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './compared.ts';
export * from './looked-at.ts';
export * from './revisions-sheet.ts';
