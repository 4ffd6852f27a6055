'use client';

import { useEffect } from 'react';
import { HydrationMarker } from '../ui/hydration-marker.tsx';

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
      <h1 className="text-2xl">This page could not be loaded.</h1>
      <p className="mt-2 text-faint">
        Your saved work is safe. See the terminal running Arbeit for details
        {error.digest ? ` (look for ${error.digest})` : ''}.
      </p>
      <button type="button" className="word-button mt-6" onClick={reset}>
        Try again
      </button>
      <HydrationMarker />
    </main>
  );
}
