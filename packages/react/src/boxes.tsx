'use client';

import { boxesOf, pressBoxes } from '@arbeit/dom';
import type { BoxesPlan } from '@arbeit/engine/kinds/boxes';
import { type RefCallback, useCallback, useState } from 'react';
import type { ClassNames } from './class-names.ts';
import { Reveal, type RevealWords, revealWordsOf } from './reveal.tsx';
import type { Field } from './use-field.ts';

/**
 * A PIN or a code: one real input with boxes drawn over it. Keyboard, paste, autofill and screen readers
 * meet the input; the boxes show its content, caret and selection.
 *
 * @example
 * const Code = ({ field }: { readonly field: Field }) => <Boxes field={field} />;
 */
export function Boxes({
  field,
  label,
  isWrong = false,
  classNames = {},
  words = revealWordsOf(field),
}: {
  readonly field: Field;
  readonly label?: string | undefined;
  /** Whether somebody else, such as a server, says that the code is wrong. */
  readonly isWrong?: boolean;
  /** The input must cover the row and be transparent. */
  readonly classNames?: ClassNames<'root' | 'frame' | 'row' | 'group' | 'box' | 'input' | 'reveal'>;
  readonly words?: RevealWords;
}) {
  const plan = field.store.field.plan as BoxesPlan;
  const [isRevealed, setRevealed] = useState(false);
  const isConcealed = plan.conceal && !isRevealed;
  const {
    store,
    inputProps: { ref: bind },
  } = field;
  const ref = useCallback<RefCallback<HTMLInputElement>>(
    (input) => {
      if (!input) return undefined;
      const ends = [bind(input), pressBoxes(input, store)];
      return () => {
        for (const end of ends) end?.();
      };
    },
    [bind, store],
  );
  return (
    <div className={classNames.root} data-arbeit="code">
      <div
        className={classNames.frame}
        data-arbeit="boxes"
        data-invalid={isWrong || field.evaluation.shown.some((m) => m.severity === 'error') || undefined}
      >
        <div
          aria-hidden="true"
          dir={field.inputProps.dir as string}
          className={classNames.row}
          data-arbeit="row"
        >
          <Drawn field={field} isConcealed={isConcealed} classNames={classNames} />
        </div>
        <input
          {...field.inputProps}
          {...(label ? { 'aria-label': label } : {})}
          type={isConcealed ? 'password' : 'text'}
          maxLength={undefined}
          ref={ref}
          className={classNames.input}
        />
      </div>
      {plan.conceal && (
        <Reveal isRevealed={isRevealed} onChange={setRevealed} words={words} className={classNames.reveal} />
      )}
    </div>
  );
}

/** The boxes: their content, the active one, the selected ones. */
function Drawn({
  field,
  isConcealed,
  classNames,
}: {
  readonly field: Field;
  readonly isConcealed: boolean;
  readonly classNames: ClassNames<'group' | 'box'>;
}) {
  let at = 0;
  return boxesOf(field.store, isConcealed).map((group, i) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: groups are told apart by their place alone
    <span key={i} className={classNames.group} data-arbeit="group">
      {group.map(({ text, isActive, isSelected }) => (
        <span
          key={at++}
          data-box
          data-active={isActive || undefined}
          data-selected={isSelected || undefined}
          className={classNames.box}
        >
          {text}
        </span>
      ))}
    </span>
  ));
}
