// Texts of `screens/handoff/hand-off-sheet.tsx`.

import { plural } from '../plural.ts';

export { stop, stopped } from '../later.ts';
export { handOff } from '../shared.ts';
export { forLabel } from './shared.ts';

export const handOffWithTitle = (title: string) => `Hand-off of ${title}`;
export const include = 'Include';
export const contents = 'Contents';
export const theContents = 'the contents';
export const contentsInWords = (
  set: { readonly fields: readonly unknown[]; readonly forms?: readonly unknown[] | undefined },
  { uses, languages }: { readonly uses: readonly unknown[]; readonly languages: readonly unknown[] },
) =>
  [
    plural(set.fields.length, '1 field', `${set.fields.length} fields`),
    plural(set.forms?.length ?? 0, '1 form', `${set.forms?.length ?? 0} forms`),
    plural(uses.length, '1 output', `${uses.length} outputs`),
    plural(languages.length + 1, '1 language', `${languages.length + 1} languages`),
  ].join(', ');
export const languages = 'Languages';
export const codeAppearsHere = 'Code and running result appear here.';
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
