'use client';

import { useId, useState } from 'react';
import type { EditedSet } from '../../model/use-set.ts';
import { download } from '../../ui/download.ts';
import * as words from '../../words/texts/text-files.ts';
import { takeTexts, textsAsCsv, textsAsJson } from './files.ts';

/** Exports the texts as a table or as JSON, and imports them. */
export function TextFiles({ set }: { readonly set: EditedSet }) {
  const id = useId();
  const [said, setSaid] = useState<readonly string[]>([]);
  const take = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > 4_000_000) return setSaid([words.tooLarge]);
    const { set: next, changed, problems } = takeTexts(set.document, await file.text());
    if (changed > 0) set.edit(() => next);
    setSaid([words.textsImported(changed), ...problems]);
  };
  return (
    <>
      <button
        type="button"
        className="word-button"
        onClick={() => download(`${set.id}.texts.csv`, textsAsCsv(set.document), 'text/csv')}
      >
        {' '}
        {words.downloadCsv}{' '}
      </button>
      <button
        type="button"
        className="word-button"
        onClick={() => download(`${set.id}.texts.json`, textsAsJson(set.document), 'application/json')}
      >
        {' '}
        {words.downloadJson}{' '}
      </button>
      <label htmlFor={id} className="word-button has-focus-visible:outline-2">
        {words.importFile}
        <input
          id={id}
          type="file"
          accept=".csv,.json,text/csv,application/json"
          className="sr-only"
          onChange={({ target }) => {
            void take(target.files?.[0]);
            target.value = '';
          }}
        />
      </label>
      {said.length > 0 && (
        <ul role="status" className="w-full text-sm">
          {said.slice(0, 20).map((one, i) => (
            <li key={one} className={i === 0 ? '' : 'text-brick'}>
              {one}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
