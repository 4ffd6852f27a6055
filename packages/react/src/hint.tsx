'use client';

import type { Field } from './use-field.ts';

/**
 * The hint of a field; nothing if its definition has none.
 *
 * @example
 * const About = ({ field }: { readonly field: Field }) => <Hint field={field} className="hint" />;
 */
export function Hint({ field, className }: { readonly field: Field; readonly className?: string }) {
  const { hint } = field.store.field;
  return hint ? (
    <p {...field.hintProps} className={className} data-arbeit="hint">
      {hint}
    </p>
  ) : null;
}
