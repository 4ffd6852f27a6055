'use client';

import { Line as Bare, type Field } from '@arbeit/react';

const classNames = {
  root: 'value relative w-full bg-transparent data-concealed:flex data-concealed:items-center data-concealed:gap-3',
  ghost:
    'pointer-events-none absolute inset-0 overflow-hidden whitespace-pre border border-transparent px-2 py-[0.35rem] text-faint',
  behind: 'invisible',
  input: 'entry value relative',
  // As wide as either of its words, so that the input keeps its width.
  reveal: 'word-button min-w-14 text-left font-(family-name:--font-text) text-sm',
  lines: 'entry value relative block w-full resize-none',
};

/** What a field is typed into, in the studio's classNames. */
export const Line = ({ field, label }: { readonly field: Field; readonly label?: string | undefined }) => (
  <Bare field={field} label={label} classNames={classNames} />
);
