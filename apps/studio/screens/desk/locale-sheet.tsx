'use client';

import { type ComponentProps, useState } from 'react';
import { deferred } from '../../ui/later.tsx';
import * as words from '../../words/desk/locale-sheet.ts';

const LocaleLines = deferred(() => import('./locale-lines.tsx').then((lines) => lines.LocaleLines));

/**
 * The same field in many locales at once: type into any of them, and all display the value in their own way.
 */
export function LocaleSheet(props: ComponentProps<typeof LocaleLines>) {
  const [isOpen, setOpen] = useState(false);
  return (
    <section aria-label={words.inOtherLocales} className="mt-6">
      <div className="flex items-baseline gap-4 border-b border-ink pb-1">
        <h2 className="font-semibold">{words.inOtherLocales}</h2>
        <span className="caption">{words.oneValueSixteenLocales}</span>
        <button
          type="button"
          className="word-button ml-auto"
          aria-expanded={isOpen}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? words.close : words.show}
        </button>
      </div>
      {isOpen && <LocaleLines {...props} />}
    </section>
  );
}
