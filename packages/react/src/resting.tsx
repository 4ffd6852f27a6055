'use client';

import type { FieldState } from '@arbeit/engine/field';
import { type KeyboardEvent, type ReactNode, useRef, useState } from 'react';
import type { ClassNames } from './class-names.ts';
import { Message } from './message.tsx';
import type { Field } from './use-field.ts';

/**
 * A field that shows formatted text and becomes an input on a click or Enter. Enter or leaving keeps a valid
 * value, Escape restores the old one, and an invalid value stays open with its message.
 *
 * @example
 * const Price = ({ field }: { readonly field: Field }) => (
 *   <Resting field={field}>
 *     <Line field={field} />
 *   </Resting>
 * );
 */
export function Resting({
  field,
  children,
  empty = '–',
  classNames = {},
}: {
  readonly field: Field;
  /** The control to show when it is opened. */
  readonly children: ReactNode;
  /** What is shown while the field is empty. */
  readonly empty?: string;
  readonly classNames?: ClassNames<'name' | 'box' | 'text' | 'empty' | 'message'>;
}) {
  const [before, setBefore] = useState<FieldState | null>(null);
  const rest = useRef<HTMLButtonElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const { store, evaluation } = field;
  const open = () => {
    setBefore(store.state());
    requestAnimationFrame(() => box.current?.querySelector<HTMLElement>('input, textarea, select')?.focus());
  };
  const close = () => {
    setBefore(null);
    requestAnimationFrame(() => rest.current?.focus());
  };
  const isSound = () => {
    const { findings } = store.evaluation();
    return store.field.rules.every(
      (rule, i) => rule.severity === 'warning' || findings[i]!.verdict === 'pass',
    );
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (!before) return;
    if (event.key === 'Escape') {
      event.preventDefault();
      store.restore({ ...before, focused: false });
      close();
    } else if (event.key === 'Enter') {
      event.preventDefault();
      store.dispatch({ type: 'leave' });
      if (isSound()) close();
      else store.dispatch({ type: 'focus' });
    }
  };
  const { label } = store.field;
  return (
    <div>
      <span className={classNames.name}>{label}</span>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: Enter and Escape of the input inside */}
      <div
        ref={box}
        className={classNames.box}
        onKeyDown={onKeyDown}
        onBlur={(event) => {
          if (before && !event.currentTarget.contains(event.relatedTarget) && isSound()) setBefore(null);
        }}
      >
        {before ? (
          children
        ) : (
          <button
            ref={rest}
            type="button"
            className={classNames.text}
            aria-label={`${label}: ${evaluation.display || empty}`}
            onClick={open}
          >
            {evaluation.display || <span className={classNames.empty}>{empty}</span>}
          </button>
        )}
      </div>
      <Message field={field} isQuiet={!before} classNames={{ root: classNames.message }} />
    </div>
  );
}
