'use client';

import type { Field } from './use-field.ts';

/** What a field is described by beside its name; nothing where its definition has no hint. */
export function Hint({ field, className }: { readonly field: Field; readonly className?: string }) {
  const { hint } = field.store.field;
  return hint ? (
    <p {...field.hintProps} className={className} data-arbeit="hint">
      {hint}
    </p>
  ) : null;
}
