// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './glossary.ts';
export * from './terms.ts';
