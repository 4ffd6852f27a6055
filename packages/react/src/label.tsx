'use client';

import { isGroup } from './picks.tsx';
import type { Field } from './use-field.ts';

/**
 * The label of a field: a `<label>`, or for a group of buttons or checkboxes the element that names it.
 *
 * @example
 * const Name = ({ field }: { readonly field: Field }) => <Label field={field} />;
 */
export function Label({
  field,
  missing = '',
  className,
}: {
  readonly field: Field;
  /** Text if the definition has no label. */
  readonly missing?: string;
  readonly className?: string;
}) {
  const { id, htmlFor } = field.labelProps;
  const text = field.store.field.label || missing;
  return isGroup(field) ? (
    <span id={id} className={className} data-arbeit="label">
      {text}
    </span>
  ) : (
    <label id={id} htmlFor={htmlFor} className={className}>
      {text}
    </label>
  );
}
