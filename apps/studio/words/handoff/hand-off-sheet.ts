// Texts of `screens/handoff/hand-off-sheet.tsx`.

export { stop, stopped } from '../later.ts';
export { handOff } from '../shared.ts';
export { forLabel } from './shared.ts';

export const handOffWithTitle = (title: string) => `Hand-off of ${title}`;
export const include = 'Include';
export const forms = 'Forms';
export const fields = 'Fields';
export const formsIncludeTheirFields = 'Forms include their fields.';
export const selectNone = 'Select none';
export const selectAll = 'Select all';
export const askingTheServer = 'Asking the server';
export const compilingTheFields = 'Compiling the fields';
export const bundlingTheRuntime = 'Bundling the runtime';
export const writingTheTypes = 'Writing the types';
export const writingTheFiles = 'Writing the files';
export const measuringSize = 'Measuring size';
export const madeSoFar = 'Made so far';
export const rebuild = 'Rebuild';
export const filesBuiltWithVersionReproducible = (files: number, version: string) =>
  `${files} files, built with version ${version} (reproducible).`;
