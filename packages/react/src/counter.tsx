'use client';

import type { TextPlan } from '@arbeit/engine/kinds/text';
import type { ClassNames } from './class-names.ts';
import type { Field } from './use-field.ts';

/**
 * The number of characters left, shown once few are left.
 *
 * @example
 * const Left = ({ field }: { readonly field: Field }) => <Counter field={field} />;
 */
export function Counter({
  field,
  words = (left) => (field.store.field.words?.left ?? '').replace('{left}', String(left)),
  classNames = {},
}: {
  readonly field: Field;
  /**
   * The text for screen readers, which do not see the count beside its line; that of the field’s language if
   * left out.
   */
  readonly words?: (left: number) => string;
  readonly classNames?: ClassNames<'root' | 'said'>;
}) {
  const { max } = field.store.field.plan as TextPlan;
  if (!max) return null;
  const left = Number(field.facts.left);
  const isNear = left <= Math.max(5, max / 10);
  return (
    <span
      className={classNames.root}
      data-arbeit="counter"
      data-full={left === 0 || undefined}
      aria-live="polite"
    >
      {isNear && (
        <>
          <span aria-hidden="true">{left}</span>
          <span className={classNames.said} data-arbeit="said">
            {words(left)}
          </span>
        </>
      )}
    </span>
  );
}
