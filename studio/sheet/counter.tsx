'use client';

import type { TextPlan } from '@arbeit/engine/kinds/text';
import type { Field } from '@arbeit/react';

/** How many characters are left, once few are: quiet until then. */
export function Counter({ field }: { readonly field: Field }) {
  const { max } = field.store.field.plan as TextPlan;
  if (!max) return null;
  const left = Number(field.facts.left);
  const isNear = left <= Math.max(5, max / 10);
  return (
    <span
      className={`value min-w-8 text-right text-sm ${left === 0 ? 'text-marigold' : 'text-faint'}`}
      aria-live="polite"
    >
      {isNear ? (
        <>
          {left}
          <span className="sr-only"> characters left</span>
        </>
      ) : (
        ''
      )}
    </span>
  );
}
