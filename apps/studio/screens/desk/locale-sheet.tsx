'use client';

import { type ComponentProps, useState } from 'react';
import { deferred } from '../../ui/later.tsx';

const LocaleLines = deferred(() => import('./locale-lines.tsx').then((lines) => lines.LocaleLines));

/**
 * The same field in many locales at once: type into any of them, and all display the value in their own way.
 */
export function LocaleSheet(props: ComponentProps<typeof LocaleLines>) {
  const [isOpen, setOpen] = useState(false);
  return (
    <section aria-label="In other locales" className="mt-6">
      <div className="flex items-baseline gap-4 border-b border-ink pb-1">
        <h2 className="font-semibold">In other locales</h2>
        <span className="caption">one value, sixteen locales</span>
        <button
          type="button"
          className="word-button ml-auto"
          aria-expanded={isOpen}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? 'Close' : 'Show'}
        </button>
      </div>
      {isOpen && <LocaleLines {...props} />}
    </section>
  );
}
