'use client';

import { type ReactNode, useState } from 'react';
import * as words from '../words/ui/on-paper.ts';
import { WordSelect } from './word-select.tsx';

const papers = { own: words.inThisTheme, light: words.inTheLightTheme, dark: words.inTheDarkTheme } as const;
const directions = { ltr: words.leftToRight, rtl: words.rightToLeft } as const;

/** What an end user sees, under a sentence with choices: the view, the theme, the direction. */
export function OnPaper<V extends string>({
  label,
  views,
  children,
}: {
  /** The label of the region. */
  readonly label: string;
  /** The views by name; the first is shown first. */
  readonly views: Readonly<Record<V, string>>;
  readonly children: (view: V) => ReactNode;
}) {
  // There is at least one view, and the keys of the record are their names.
  const [view, setView] = useState(Object.keys(views)[0] as V);
  const [paper, setPaper] = useState<keyof typeof papers>('own');
  const [direction, setDirection] = useState<keyof typeof directions>('ltr');
  return (
    <section aria-label={label} className="min-w-0">
      <div className="flex flex-wrap items-baseline gap-x-1.5 text-sm text-faint">
        <span aria-hidden="true">{words.shown}</span>
        <WordSelect label={words.view} value={view} choices={views} onChange={setView} />
        <WordSelect label={words.theme} value={paper} choices={papers} onChange={setPaper} />
        <WordSelect
          label={words.textDirection}
          value={direction}
          choices={directions}
          onChange={setDirection}
        />
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
