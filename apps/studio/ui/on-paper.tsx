'use client';

import { type ReactNode, useState } from 'react';
import { Choices } from './choices.tsx';

const directions = { ltr: 'Left to right', rtl: 'Right to left' } as const;

/**
 * What an end user meets, under one line that says how it is seen: in which view, on which paper, in which
 * direction.
 */
export function OnPaper<V extends string>({
  label,
  own,
  views,
  children,
}: {
  /** Of the region. */
  readonly label: string;
  /** What the paper is that is none of its own: "As the desk". */
  readonly own: string;
  /** By name; it begins with the first. */
  readonly views: Readonly<Record<V, string>>;
  readonly children: (view: V) => ReactNode;
}) {
  const papers = { own, light: 'Light', dark: 'Dark' };
  // There is one at least, and keys of a record are its names.
  const [view, setView] = useState(Object.keys(views)[0] as V);
  const [paper, setPaper] = useState<keyof typeof papers>('own');
  const [direction, setDirection] = useState<keyof typeof directions>('ltr');
  return (
    <section aria-label={label} className="min-w-0">
      <div className="flex flex-wrap gap-x-6 gap-y-1 text-sm">
        <Choices label="View" value={view} choices={views} onChange={setView} />
        <Choices label="Paper" value={paper} choices={papers} onChange={setPaper} />
        <Choices label="Direction" value={direction} choices={directions} onChange={setDirection} />
      </div>
      <div
        data-sheet={paper === 'own' ? undefined : paper}
        data-other={paper === 'own' ? undefined : ''}
        dir={direction}
        className="live-paper"
      >
        {children(view)}
      </div>
    </section>
  );
}
