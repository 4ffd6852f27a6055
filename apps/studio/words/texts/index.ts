// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './catalogue.ts';
export * from './files.ts';
export * from './text-cell.ts';
export * from './text-files.ts';
