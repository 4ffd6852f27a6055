'use client';

import { type ReactNode, useState } from 'react';
import * as words from '../words/ui/on-paper.ts';
import { Choices } from './choices.tsx';

const directions = { ltr: words.leftToRight, rtl: words.rightToLeft } as const;

/** What an end user sees, under a line of options: the view, the theme, the direction. */
export function OnPaper<V extends string>({
  label,
  own,
  views,
  children,
}: {
  /** The label of the region. */
  readonly label: string;
  /** The label of the theme that follows the desk: "Same as app". */
  readonly own: string;
  /** The views by name; the first is shown first. */
  readonly views: Readonly<Record<V, string>>;
  readonly children: (view: V) => ReactNode;
}) {
  const papers = { own, light: words.light, dark: words.dark };
  // There is at least one view, and the keys of the record are their names.
  const [view, setView] = useState(Object.keys(views)[0] as V);
  const [paper, setPaper] = useState<keyof typeof papers>('own');
  const [direction, setDirection] = useState<keyof typeof directions>('ltr');
  return (
    <section aria-label={label} className="min-w-0">
      <div className="flex flex-wrap gap-x-6 gap-y-1 text-sm">
        <Choices label={words.view} value={view} choices={views} onChange={setView} />
        <Choices label={words.theme} value={paper} choices={papers} onChange={setPaper} />
        <Choices label={words.textDirection} value={direction} choices={directions} onChange={setDirection} />
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
