'use client';

import { type ReactNode, useId, useState } from 'react';

/** Something of a field that is seldom changed: said on one line; opened, its options under it. */
export function FoldedLine({
  name,
  caption,
  said,
  isValue = false,
  opens,
  help,
  children,
}: {
  /** What the section is called. */
  readonly name: string;
  readonly caption: string;
  readonly said: string;
  /** It is set as values are. */
  readonly isValue?: boolean;
  /** What its button opens, where the button by itself would not say it: `the look`. */
  readonly opens?: string;
  readonly help?: ReactNode;
  /** Asked for while it is open. */
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
          aria-label={opens && (isOpen ? `Put ${opens} away` : `Change ${opens}`)}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? 'Put away' : 'Change'}
        </button>
        {help}
      </div>
      <div id={id} hidden={!isOpen} className="max-w-xl pt-1">
        {isOpen && children()}
      </div>
    </section>
  );
}
