'use client';

import type { Field } from '@arbeit/react';

/**
 * What checks beyond the field have to say beside its message: that they are waiting, what they found out,
 * and a way to ask again.
 */
export function FoundOut({ field }: { readonly field: Field }) {
  const { flags, facts, shown } = field.evaluation;
  const isSilent = shown.some(({ code }) => code === 'unreachable');
  return (
    <>
      {flags.pending && 'Being looked up… '}
      {Object.entries(facts)
        .map(([name, value]) => `${name}: ${value}`)
        .join(' · ')}
      {isSilent && (
        <button
          type="button"
          className="word-button"
          onClick={() => field.store.dispatch({ type: 'ask-again' })}
        >
          Ask again
        </button>
      )}
    </>
  );
}
