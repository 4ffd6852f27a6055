'use client';

import { useState } from 'react';
import { useCopy } from '../../ui/copy-text.ts';
import { downloadBytes } from '../../ui/download.ts';
import * as words from '../../words/handoff/take-away.ts';
import type { Made } from './made.ts';

/** The download of everything, and the command that builds the same. */
export function TakeAway({
  set,
  made,
  command,
  onTaken,
}: {
  /** Id of the set. */
  readonly set: string;
  readonly made: Made | undefined;
  readonly command: string | undefined;
  readonly onTaken: () => void;
}) {
  const [isTaking, setTaking] = useState(false);
  const { said, copy } = useCopy(command ?? '', onTaken);
  const take = async (files: Made['files']) => {
    setTaking(true);
    try {
      const { zipped } = await import('./zip.ts');
      downloadBytes(`${set}-hand-off.zip`, zipped(set, files), 'application/zip');
      onTaken();
    } finally {
      setTaking(false);
    }
  };
  return (
    <div className="hand-off-take">
      <button
        type="button"
        className="solid-button"
        disabled={isTaking || !made}
        onClick={() => made && void take(made.files)}
      >
        {words.downloadZip}
      </button>
      {command === undefined ? (
        <span className="caption">{words.noCommand}</span>
      ) : (
        <>
          <code className="value">{command}</code>
          <button type="button" className="word-button" onClick={() => void copy()}>
            {words.copyCommand}
          </button>
        </>
      )}
      <span role="status" className="caption">
        {said}
      </span>
    </div>
  );
}
