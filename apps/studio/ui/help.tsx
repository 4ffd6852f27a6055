'use client';

import { type ReactNode, useId, useState } from 'react';

/** Help in its place: a button, and what it tells under the line the button stands in, which has to wrap. */
export function Help({ about, children }: { readonly about: string; readonly children: ReactNode }) {
  const [isOpen, setOpen] = useState(false);
  const id = useId();
  return (
    <>
      <button
        type="button"
        className="help-button"
        aria-expanded={isOpen}
        aria-controls={id}
        aria-label={`Help: ${about}`}
        onClick={() => setOpen(!isOpen)}
      >
        ?
      </button>
      <div
        id={id}
        hidden={!isOpen}
        className="order-last basis-full border-l-2 border-rule py-1 pl-3 text-sm"
      >
        {children}
      </div>
    </>
  );
}
