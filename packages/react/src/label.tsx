'use client';

import { isGroup } from './picks.tsx';
import type { Field } from './use-field.ts';

/** The name of a field: a `<label>`, or where it is drawn as a group of buttons or boxes, what names that. */
export function Label({
  field,
  missing = '',
  className,
}: {
  readonly field: Field;
  /** What stands there where the definition has none. */
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
