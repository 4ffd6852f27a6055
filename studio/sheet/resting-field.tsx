'use client';

import type { FieldState } from '@arbeit/engine/field';
import type { Field } from '@arbeit/react';
import { type KeyboardEvent, useRef, useState } from 'react';
import { Control } from '../kinds/controls.tsx';

/**
 * A field that rests as formatted text and becomes an input on a click or Enter, in the same place and size. Enter or
 * leaving saves what is valid; Escape goes back to what was there; what is wrong stays open with its message.
 */
export function RestingField({ field }: { readonly field: Field }) {
  const [before, setBefore] = useState<FieldState | null>(null);
  const rest = useRef<HTMLButtonElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const { store, reading } = field;
  const open = () => {
    setBefore(store.state());
    requestAnimationFrame(() => box.current?.querySelector('input')?.focus());
  };
  const close = () => {
    setBefore(null);
    requestAnimationFrame(() => rest.current?.focus());
  };
  const isSound = () => {
    const { findings } = store.reading();
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
      <span className="block font-semibold">{label || 'No label'}</span>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: Enter and Escape of the input inside */}
      <div
        ref={box}
        className="mt-1 min-h-[2.1rem]"
        onKeyDown={onKeyDown}
        onBlur={(event) => {
          if (before && !event.currentTarget.contains(event.relatedTarget) && isSound()) setBefore(null);
        }}
      >
        {before ? (
          <Control field={field} label={label} />
        ) : (
          <button
            ref={rest}
            type="button"
            className="entry value border-transparent text-left underline decoration-dotted underline-offset-4 hover:bg-wash"
            aria-label={`${label}: ${reading.display || 'empty'}. Change it.`}
            onClick={open}
          >
            {reading.display || <span className="text-faint">empty</span>}
          </button>
        )}
      </div>
      <div {...field.messageProps} className="min-h-6 pt-0.5 text-sm text-brick">
        {before && reading.shown.map((message) => <p key={message.rule}>{message.message}</p>)}
      </div>
    </div>
  );
}
