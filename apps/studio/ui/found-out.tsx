'use client';

import type { Field } from '@arbeit/react';
import * as words from '../words/ui/found-out.ts';

/**
 * Messages of server and custom checks beside those of the field: that they are running, their result, and a
 * way to run them again.
 */
export function FoundOut({ field }: { readonly field: Field }) {
  const { flags, facts, shown } = field.evaluation;
  const isSilent = shown.some(({ code }) => code === 'unreachable');
  return (
    <>
      {flags.pending && words.checking}
      {Object.entries(facts)
        .map(([name, value]) => `${name}: ${value}`)
        .join(' · ')}
      {isSilent && (
        <button
          type="button"
          className="word-button"
          onClick={() => field.store.dispatch({ type: 'ask-again' })}
        >
          {words.retry}
        </button>
      )}
    </>
  );
}
