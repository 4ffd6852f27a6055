'use client';

import type { ClassNames } from './class-names.ts';
import type { Field } from './use-field.ts';

/**
 * The input of a field, or a text area if it has several lines. Guide text is drawn under the input, in the
 * same font and with the same padding, and is never part of its value.
 *
 * @example
 * const Input = ({ field }: { readonly field: Field }) => (
 *   <Line field={field} classNames={{ input: 'input' }} />
 * );
 */
export function Line({
  field,
  label,
  classNames = {},
}: {
  readonly field: Field;
  /** Accessible name if the page has no label for it. */
  readonly label?: string | undefined;
  readonly classNames?: ClassNames<'root' | 'ghost' | 'behind' | 'input' | 'lines'>;
}) {
  const { guideText, evaluation, store } = field;
  const { lines = 1 } = store.field.plan as { readonly lines?: number };
  const named = label ? { 'aria-label': label } : {};
  if (lines > 1) {
    const { type: _, ...props } = field.inputProps;
    return <textarea {...props} {...named} rows={lines} className={classNames.lines} />;
  }
  return (
    <div className={classNames.root} data-arbeit="line">
      {guideText && (
        <span aria-hidden="true" className={classNames.ghost} data-arbeit="ghost">
          <span className={classNames.behind}>{evaluation.display}</span>
          {guideText}
        </span>
      )}
      <input {...field.inputProps} {...named} className={classNames.input} />
    </div>
  );
}
