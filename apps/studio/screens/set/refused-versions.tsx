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
    if (!response) return 'No response from the server. Nothing was changed. Try again.';
    if (response.ok) return '';
    const { error } = (await response.json().catch(() => ({}))) as { error?: string };
    return error ?? `Request failed (HTTP ${response.status}).`;
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
    }, 'Restored. The version it replaced is in the revision history.');

  return (
    <>
      <Masthead trail={[{ label: stored.document.title, href: '/' }, { label: 'Conflicting saves' }]} />
      <main className="max-w-3xl px-6 pb-16">
        <h1 className="pt-6 text-2xl">Conflicting saves</h1>
        <p className="pt-1 text-faint">
          These saves collided with somebody else’s. The set is now at revision {stored.revision}. Restore or
          delete each one.
          {dropped > 0 &&
            ` Arbeit keeps the latest 50. ${dropped === 1 ? '1 older version was' : `${dropped} older versions were`} deleted.`}
        </p>
        <p role="status" className="min-h-7 py-1 text-sm">
          {said}
        </p>
        {versions.length === 0 && <p className="border-t py-8 text-faint">No conflicting saves.</p>}
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
                <span className="caption">based on revision {version.base}</span>
              </p>
              {version.differs.length === 0 ? (
                <p>Identical to the current version.</p>
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
                  Restore this version
                </button>
                <a className="word-button" href={`/api/sets/${stored.key}/refused/${version.kept}`} download>
                  Download
                </a>
                <button
                  type="button"
                  className="word-button"
                  disabled={busy}
                  onClick={() => act(() => drop(version.kept), 'Deleted.')}
                >
                  Delete
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
