'use client';

import { type ReactNode, useState } from 'react';
import { Commands } from '../../ui/commands.tsx';
import { Link } from '../../ui/link.tsx';
import { SheetSwitch } from '../../ui/sheet-switch.tsx';
import * as words from '../../words/set/masthead.ts';
import { Tour } from './tour.tsx';

/** Pages of a set beside its fields and forms. */
const sheets = [
  { label: words.trials, path: 'trials' },
  { label: words.translations, path: 'texts' },
  { label: words.handOff, path: 'hand-off' },
  { label: words.revisions, path: 'revisions' },
] as const;

/** The names of all fields and forms, fetched when the palette opens. */
const indexed = () => import('../../model/other-sets.ts').then((sets) => sets.indexedSets());

/** The header of every page: where the user is, and what can be done with the whole page. */
export function Masthead({
  setKey,
  trail,
  children,
}: {
  /** Key of the current set, whose other pages are linked after its name. */
  readonly setKey?: string;
  readonly trail: readonly { label: string; href?: string }[];
  readonly children?: ReactNode;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <header data-open={isOpen || undefined} className="masthead">
      <Link href="/" className="text-lg font-semibold tracking-tight">
        {words.arbeit}
      </Link>
      <nav aria-label={words.breadcrumb} className="masthead-trail">
        <ol className="flex flex-wrap items-baseline gap-x-2">
          {trail.map(({ label, href }) => (
            <li key={label} className="flex min-w-0 items-baseline gap-x-2">
              <span aria-hidden="true" className="text-line">
                /
              </span>
              {href ? (
                <Link href={href} className="word-button max-w-64 truncate">
                  {label}
                </Link>
              ) : (
                <span className="max-w-72 truncate" aria-current="page" title={label}>
                  {label}
                </span>
              )}
            </li>
          ))}
        </ol>
      </nav>
      {/* On a phone it shows the pages and tools; the state of saving is always shown. */}
      <button
        type="button"
        className="word-button masthead-menu"
        aria-expanded={isOpen}
        onClick={() => setOpen(!isOpen)}
      >
        {words.menu}
      </button>
      {setKey && (
        <nav aria-label={words.setPages} className="masthead-pages">
          {sheets.map(
            ({ label, path }) =>
              label !== trail.at(-1)?.label && (
                <Link key={path} href={`/sets/${setKey}/${path}`} className="word-button">
                  {label}
                </Link>
              ),
          )}
        </nav>
      )}
      <div className="masthead-tools">
        {children}
        <Commands indexed={indexed} />
        <SheetSwitch />
      </div>
      <Tour />
    </header>
  );
}
