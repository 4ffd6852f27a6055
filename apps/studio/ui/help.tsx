'use client';

import { type ReactNode, useId, useState } from 'react';
import * as words from '../words/ui/help.ts';

/** Inline help: a button, and a text below the button's line, which has to wrap. */
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
        aria-label={words.helpWithAbout(about)}
        onClick={() => setOpen(!isOpen)}
      >
        ?
      </button>
      <div
        id={id}
        hidden={!isOpen}
        className="order-last basis-full border-l-2 border-rule py-1 pl-3 text-sm"
      >
        {isOpen && children}
      </div>
    </>
  );
}
