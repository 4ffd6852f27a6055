'use client';

import type { TextPlan } from '@arbeit/engine/kinds/text';
import type { ClassNames } from './class-names.ts';
import type { Field } from './use-field.ts';

/** How many characters are left, once few are: quiet until then. */
export function Counter({
  field,
  words = (left) => `${left} characters left`,
  dress = {},
}: {
  readonly field: Field;
  /** What is told to who does not see the figure beside its line. */
  readonly words?: (left: number) => string;
  readonly dress?: ClassNames<'root' | 'said'>;
}) {
  const { max } = field.store.field.plan as TextPlan;
  if (!max) return null;
  const left = Number(field.facts.left);
  const isNear = left <= Math.max(5, max / 10);
  return (
    <span className={dress.root} data-full={left === 0 || undefined} aria-live="polite">
      {isNear && (
        <>
          <span aria-hidden="true">{left}</span>
          <span className={dress.said}>{words(left)}</span>
        </>
      )}
    </span>
  );
}
