'use client';

import type { TextPlan } from '@arbeit/engine/kinds/text';
import type { Field } from '@arbeit/react';
import { GhostedInput } from './ghosted-input.tsx';

/** Free text: a line, or as many as its definition shows. */
export function Lines({ field, label }: { readonly field: Field; readonly label?: string }) {
  const { lines } = field.store.field.plan as TextPlan;
  if (lines === 1) return <GhostedInput field={field} {...(label ? { label } : {})} />;
  const { type: _, ...props } = field.inputProps;
  return (
    <textarea
      {...props}
      {...(label ? { 'aria-label': label } : {})}
      rows={lines}
      className="entry value relative block w-full resize-none"
    />
  );
}
