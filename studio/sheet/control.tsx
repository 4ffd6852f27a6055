'use client';

import type { PlanOf } from '../../engine/kinds/index.ts';
import type { Field } from '../../react/use-field.ts';
import { CodeBoxes } from './code-boxes.tsx';
import { GhostedInput } from './ghosted-input.tsx';

/** What a field is typed into, by its kind. */
export function Control({
  field,
  label,
  isWrong = false,
}: {
  readonly field: Field;
  readonly label?: string;
  readonly isWrong?: boolean;
}) {
  const { kind } = field.store.field.plan;
  const named = label ? { label } : {};
  if (kind === 'pin' || kind === 'one-time-code')
    return <CodeBoxes field={field} isWrong={isWrong} {...named} />;
  return <GhostedInput field={field} {...named} />;
}

/** How many characters are left, once few are: quiet until then. */
export function Counter({ field }: { readonly field: Field }) {
  const plan = field.store.field.plan as PlanOf;
  if (plan.kind !== 'text' || !plan.max) return null;
  const left = Number(field.facts.left);
  const isNear = left <= Math.max(5, plan.max / 10);
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
