'use client';

import { useEffect } from 'react';
import { AliveMarker } from '../ui/alive-marker.tsx';
import * as words from '../words/app/error.ts';

/** Shown when a page failed to render. Nothing saved is affected. */
export default function ErrorPage({
  error,
  reset,
}: {
  readonly error: Error & { digest?: string };
  readonly reset: () => void;
}) {
  useEffect(() => console.error(error), [error]);
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1 className="text-2xl">{words.thisPageCould}</h1>
      <p className="mt-2 text-faint">{words.yourSavedWorkIsSafe(error.digest)}</p>
      <button type="button" className="word-button mt-6" onClick={reset}>
        {words.tryAgain}
      </button>
      <AliveMarker />
    </main>
  );
}
