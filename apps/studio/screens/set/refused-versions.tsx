'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { newPage } from '../../model/draft.ts';
import { problemWith } from '../../model/other-sets.ts';
import { saveOnce } from '../../model/saving.ts';
import type { Refused } from '../../store/refusing.ts';
import type { StoredSet } from '../../store/sets.ts';
import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import { Masthead } from './masthead.tsx';

export interface RefusedVersion extends Refused {
  readonly document: SetDocument;
  /** The differences in sentences. */
  readonly differs: readonly string[];
}

/**
 * The refused versions of a set, because somebody else had saved in between, each with a way to restore it.
 */
export function RefusedVersions({
  stored,
  versions,
  dropped,
}: {
  readonly stored: StoredSet;
  readonly versions: readonly RefusedVersion[];
  /** How many older ones were deleted because there were too many. */
  readonly dropped: number;
}) {
  const router = useRouter();
  const [said, setSaid] = useState('');
  const [busy, setBusy] = useState(false);

  const ask = async (path: string, init: RequestInit): Promise<string> => {
    const response = await fetch(path, init).catch(() => undefined);
    if (!response) return 'Arbeit did not answer. Nothing was changed; try again.';
    if (response.ok) return '';
    const { error } = (await response.json().catch(() => ({}))) as { error?: string };
    return error ?? `The server answered ${response.status}.`;
  };
  const drop = (kept: number) => ask(`/api/sets/${stored.key}/refused/${kept}`, { method: 'DELETE' });
  const act = async (work: () => Promise<string>, done: string) => {
    setBusy(true);
    setSaid((await work()) || done);
    setBusy(false);
    router.refresh();
  };
  const takeBack = (version: RefusedVersion) =>
    act(async () => {
      const problem = problemWith(await saveOnce(stored, version.document, newPage()));
      return problem || drop(version.kept);
    }, 'Taken back. What it replaced is an earlier revision of the set.');

  return (
    <>
      <Masthead trail={[{ label: stored.document.title, href: '/' }, { label: 'Refused versions' }]} />
      <main className="max-w-3xl px-6 pb-16">
        <h1 className="pt-6 text-2xl">Refused versions</h1>
        <p className="pt-1 text-faint">
          Saved when somebody else had saved in between. The set stands at revision {stored.revision}; each of
          these is kept until you take it back or throw it away.
          {dropped > 0 &&
            ` Arbeit keeps the latest 50. ${dropped === 1 ? '1 older version was' : `${dropped} older versions were`} deleted.`}
        </p>
        <p role="status" className="min-h-7 py-1 text-sm">
          {said}
        </p>
        {versions.length === 0 && (
          <p className="border-t py-8 text-faint">None. Nothing is waiting for you here.</p>
        )}
        <ol className="border-t">
          {versions.map((version) => (
            <li key={version.kept} className="border-b py-3">
              <p className="flex flex-wrap items-baseline gap-x-4">
                <span className="font-semibold">
                  {new Date(version.savedAt).toLocaleString('en-GB', {
                    dateStyle: 'medium',
                    timeStyle: 'short',
                    timeZone: 'UTC',
                  })}
                </span>
                <span className="caption">made on revision {version.base}</span>
              </p>
              {version.differs.length === 0 ? (
                <p>The same as the set is now.</p>
              ) : (
                <ul>
                  {version.differs.slice(0, 12).map((sentence) => (
                    <li key={sentence}>{sentence}</li>
                  ))}
                  {version.differs.length > 12 && <li>And {version.differs.length - 12} more.</li>}
                </ul>
              )}
              <p className="flex flex-wrap gap-x-5 pt-1.5">
                <button
                  type="button"
                  className="word-button"
                  disabled={busy}
                  onClick={() => takeBack(version)}
                >
                  Take it back
                </button>
                <a className="word-button" href={`/api/sets/${stored.key}/refused/${version.kept}`} download>
                  As a file
                </a>
                <button
                  type="button"
                  className="word-button"
                  disabled={busy}
                  onClick={() => act(() => drop(version.kept), 'Thrown away.')}
                >
                  Throw it away
                </button>
              </p>
            </li>
          ))}
        </ol>
        <HydrationMarker />
      </main>
    </>
  );
}
