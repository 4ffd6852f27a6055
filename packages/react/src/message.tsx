'use client';

import type { Field } from './use-field.ts';

/**
 * The visible messages of a field in an element that is always there, so that screen readers announce them.
 * `data-severity` is `error` or `warning` while there is one.
 *
 * @example
 * const Problem = ({ field }: { readonly field: Field }) => <Message field={field} />;
 */
export function Message({
  field,
  problem = '',
  isQuiet = false,
  classNames = {},
}: {
  readonly field: Field;
  /** A problem from elsewhere, shown instead of the field's own messages. */
  readonly problem?: string;
  /** Whether to show nothing for now. */
  readonly isQuiet?: boolean;
  readonly classNames?: { readonly root?: string | undefined };
}) {
  const shown = isQuiet ? [] : field.evaluation.shown;
  const isError = problem !== '' || shown.some((message) => message.severity === 'error');
  const severity = isError ? 'error' : shown.length ? 'warning' : undefined;
  return (
    <div {...field.messageProps} className={classNames.root} data-arbeit="message" data-severity={severity}>
      {problem && <p>{problem}</p>}
      {!problem && shown.map((message) => <p key={message.rule}>{message.message}</p>)}
    </div>
  );
}
