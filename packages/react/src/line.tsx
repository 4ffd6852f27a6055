'use client';

import { useState } from 'react';
import type { ClassNames } from './class-names.ts';
import { Reveal, type RevealWords, revealWordsOf } from './reveal.tsx';
import type { Field } from './use-field.ts';

/**
 * The input of a field, or a text area if it has several lines. Guide text is drawn under the input, in the
 * same font and with the same padding, and is never part of its value. A concealed text has a control beside
 * it that reveals it.
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
  words = revealWordsOf(field),
}: {
  readonly field: Field;
  /** Accessible name if the page has no label for it. */
  readonly label?: string | undefined;
  readonly classNames?: ClassNames<'root' | 'ghost' | 'behind' | 'input' | 'lines' | 'reveal'>;
  readonly words?: RevealWords;
}) {
  const { guideText, evaluation, store } = field;
  const { lines = 1, conceal = false } = store.field.plan as {
    readonly lines?: number;
    readonly conceal?: boolean;
  };
  const [isRevealed, setRevealed] = useState(false);
  const named = label ? { 'aria-label': label } : {};
  if (lines > 1)
    return <textarea {...field.inputProps} {...named} rows={lines} className={classNames.lines} />;
  return (
    <div className={classNames.root} data-arbeit="line" data-concealed={conceal || undefined}>
      {guideText && (
        <span aria-hidden="true" className={classNames.ghost} data-arbeit="ghost">
          <span className={classNames.behind}>{evaluation.display}</span>
          {guideText}
        </span>
      )}
      <input
        {...field.inputProps}
        {...named}
        {...(isRevealed ? { type: 'text' } : {})}
        className={classNames.input}
      />
      {conceal && (
        <Reveal isRevealed={isRevealed} onChange={setRevealed} words={words} className={classNames.reveal} />
      )}
    </div>
  );
}
