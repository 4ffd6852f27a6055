'use client';

import type { Field } from '@arbeit/react';

/** The input, with the guide text drawn behind what is typed and never in it. */
export function GhostedInput({ field, label }: { readonly field: Field; readonly label?: string }) {
  const { ghost, reading } = field;
  return (
    <div className="value relative w-full bg-transparent">
      {ghost && (
        <span
          aria-hidden="true"
          className="pointer-events-none absolute inset-0 overflow-hidden whitespace-pre border border-transparent px-2 py-[0.35rem] text-faint"
        >
          <span className="invisible">{reading.display}</span>
          {ghost}
        </span>
      )}
      <input
        {...field.inputProps}
        {...(label ? { 'aria-label': label } : {})}
        className="entry value relative"
      />
    </div>
  );
}
