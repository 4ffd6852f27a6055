'use client';

import type { Trial } from '@arbeit/engine/tape';
import { useState } from 'react';
import * as words from '../../words/trials/suggested-trials.ts';

/** Suggested trials before they are added: their names and tapes, each to be left out. */
export function SuggestedTrials({
  trials,
  onAdd,
  onClose,
}: {
  readonly trials: readonly Trial[];
  readonly onAdd: (trials: readonly Trial[]) => void;
  readonly onClose: () => void;
}) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const chosen = trials.filter(({ id }) => !left.has(id));
  const choose = (id: string, isIn: boolean) => {
    const next = new Set(left);
    if (isIn) next.delete(id);
    else next.add(id);
    setLeft(next);
  };
  return (
    <fieldset
      aria-label={words.suggestedTrials}
      className="border-b border-line py-2"
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose();
      }}
    >
      <ul className="max-h-96 overflow-y-auto">
        {trials.map(({ id, name, tape }) => (
          <li key={id} className="border-b py-1">
            <label className="flex items-baseline gap-2">
              <input
                type="checkbox"
                className="accent-oxide"
                checked={!left.has(id)}
                onChange={({ target }) => choose(id, target.checked)}
              />
              <span className="min-w-0 wrap-anywhere">{name ?? id}</span>
            </label>
            <pre className="value pl-6 text-xs whitespace-pre-wrap text-faint">{tape.trim()}</pre>
          </li>
        ))}
      </ul>
      <p className="flex flex-wrap items-baseline gap-x-5 pt-2">
        <button
          type="button"
          className="solid-button"
          disabled={chosen.length === 0}
          onClick={() => onAdd(chosen)}
        >
          {words.addTrials(chosen.length)}
        </button>
        <button type="button" className="word-button" onClick={onClose}>
          {words.close}
        </button>
      </p>
    </fieldset>
  );
}
