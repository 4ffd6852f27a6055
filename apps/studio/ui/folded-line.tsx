'use client';

import { type ReactNode, useId, useState } from 'react';
import * as words from '../words/ui/folded-line.ts';

/** A part of a field that seldom changes: a summary on one line; when open, its options below. */
export function FoldedLine({
  name,
  caption,
  said,
  isValue = false,
  isWide = false,
  opens,
  help,
  children,
}: {
  /** The name of the section. */
  readonly name: string;
  readonly caption: string;
  readonly said: string;
  /** Whether the summary is in the type of values. */
  readonly isValue?: boolean;
  /** Whether its content takes the whole width. */
  readonly isWide?: boolean;
  /** What its button opens, if the section's name is not clear enough: `the appearance`. */
  readonly opens?: string;
  readonly help?: ReactNode;
  /** Called while it is open. */
  readonly children: () => ReactNode;
}) {
  const [isOpen, setOpen] = useState(false);
  const id = useId();
  return (
    <section aria-label={name} className="text-sm">
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-t pt-1.5">
        <span className="caption">{caption}</span>
        <span className={`${isValue ? 'value ' : ''}min-w-0 flex-1 wrap-anywhere`}>{said}</span>
        <button
          type="button"
          className="word-button"
          aria-expanded={isOpen}
          aria-controls={id}
          aria-label={opens && words.closeChange(isOpen, opens)}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? words.close : words.change}
        </button>
        {help}
      </div>
      <div id={id} hidden={!isOpen} className={`${isWide ? '' : 'max-w-xl '}pt-1`}>
        {isOpen && children()}
      </div>
    </section>
  );
}
