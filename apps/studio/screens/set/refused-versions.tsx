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
import * as words from '../../words/set/refused-versions.ts';
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
    if (!response) return words.noResponseFromTheServer;
    if (response.ok) return '';
    const { error } = (await response.json().catch(() => ({}))) as { error?: string };
    return error ?? words.requestFailedHttp(response.status);
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
    }, words.restored);

  return (
    <>
      <Masthead trail={[{ label: stored.document.title, href: '/' }, { label: words.conflictingSaves }]} />
      <main className="max-w-3xl px-6 pb-16">
        <h1 className="pt-6 text-2xl">{words.conflictingSaves}</h1>
        <p className="pt-1 text-faint">
          {words.theseSavesCollidedWithSomebody(stored.revision)}
          {dropped > 0 && <> {words.keptConflicts(dropped)}</>}
        </p>
        <p role="status" className="min-h-7 py-1 text-sm">
          {said}
        </p>
        {versions.length === 0 && <p className="border-t py-8 text-faint">{words.noConflictingSaves}</p>}
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
                <span className="caption">{words.basedOnRevision(version.base)}</span>
              </p>
              {version.differs.length === 0 ? (
                <p>{words.identicalToTheCurrentVersion}</p>
              ) : (
                <ul>
                  {version.differs.slice(0, 12).map((sentence) => (
                    <li key={sentence}>{sentence}</li>
                  ))}
                  {version.differs.length > 12 && <li>{words.andMore(version.differs.length - 12)}</li>}
                </ul>
              )}
              <p className="flex flex-wrap gap-x-5 pt-1.5">
                <button
                  type="button"
                  className="word-button"
                  disabled={busy}
                  onClick={() => takeBack(version)}
                >
                  {words.restoreThisVersion}
                </button>
                <a className="word-button" href={`/api/sets/${stored.key}/refused/${version.kept}`} download>
                  {words.download}
                </a>
                <button
                  type="button"
                  className="word-button"
                  disabled={busy}
                  onClick={() => act(() => drop(version.kept), words.deleted)}
                >
                  {words.deleteLabel}
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
