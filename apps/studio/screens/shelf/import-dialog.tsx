'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { type SourceFormat, sourceFormatOf } from '@arbeit/handoff/import';
import { useState } from 'react';
import { type ImportedDocument, importDocument } from '../../model/import-document.ts';
import { problemIn } from '../../model/other-sets.ts';
import { Choices } from '../../ui/choices.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import { ImportPreviewPane } from './import-preview-pane.tsx';

/** The formats a text can be read as. */
const sorts: Readonly<Record<SourceFormat, string>> = {
  document: 'Arbeit document',
  html: 'HTML form',
  schema: 'JSON Schema',
  table: 'CSV or TSV',
};

/** Most faults shown at once. */
const mostFaults = 50;

/**
 * Imports a document: a file, a pasted text, or a file dropped on the shelf. For an invalid one it shows each
 * fault with its place, and the valid part can be imported anyway.
 */
export function ImportDialog({
  text: given,
  onClose,
  onTaken,
}: {
  /** The dropped text, if any. */
  readonly text: string;
  readonly onClose: () => void;
  /** Called with the id of the new set. */
  readonly onTaken: (id: string) => void;
}) {
  const [text, setText] = useState(given);
  const [said, setSaid] = useState('');
  const [chosen, setSort] = useState<SourceFormat>();
  const sort = chosen ?? sourceFormatOf(text);
  const isEmpty = !text.trim();
  const taken = !isEmpty && sort === 'document' ? importDocument(text) : null;
  const make = async (document: SetDocument) => {
    const response = await fetch('/api/sets', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ document }),
    }).catch(() => undefined);
    setSaid(await problemIn(response));
    if (response?.ok) onTaken(((await response.json()) as { id: string }).id);
  };
  return (
    <Dialog title="Import" isWide onClose={onClose}>
      <div className="flex flex-wrap items-end gap-4">
        <Labelled label="File (.arbeit.json, HTML, JSON Schema, CSV or TSV)">
          {(id) => (
            <input
              id={id}
              type="file"
              accept=".json,.html,.htm,.csv,.tsv,.txt,application/json,text/html,text/csv"
              className="block py-1"
              onChange={async (event) => {
                const file = event.target.files?.[0];
                if (!file) return;
                setSort(undefined);
                setText(await file.text());
              }}
            />
          )}
        </Labelled>
      </div>
      <Labelled label="…or paste its contents">
        {(id) => (
          <textarea
            id={id}
            className="entry value h-32 text-xs"
            spellCheck={false}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        )}
      </Labelled>
      {!isEmpty && <Choices label="Format" value={sort} choices={sorts} onChange={setSort} />}
      <div role="status">{taken && <Found taken={taken} onMake={make} />}</div>
      {!isEmpty && sort !== 'document' && <ImportPreviewPane text={text} sort={sort} onMake={make} />}
      <p role="status" className="min-h-6 text-sm text-brick">
        {said}
      </p>
    </Dialog>
  );
}

function Found({
  taken,
  onMake,
}: {
  readonly taken: ImportedDocument;
  readonly onMake: (document: SetDocument) => void;
}) {
  const { document, faults, fields, title, locale, classes } = taken;
  const words = `${fields.length} ${fields.length === 1 ? 'field' : 'fields'}`;
  if (document)
    return (
      <p className="flex flex-wrap items-baseline gap-x-4">
        “{title}” is valid: {words}.
        <button type="button" className="solid-button" onClick={() => onMake(document)}>
          Import as a new set
        </button>
      </p>
    );
  return (
    <>
      <p>
        {faults.length === 1 ? '1 error' : `${faults.length} errors`}. Fix the text above, or import only the
        valid fields.
      </p>
      <ul className="my-2 max-h-48 overflow-y-auto text-sm">
        {faults.slice(0, mostFaults).map((fault) => (
          <li key={`${fault.path} ${fault.message}`} className="border-b py-1">
            <span className="text-brick">
              {fault.where}: {fault.message}
            </span>{' '}
            <span className="value text-xs text-faint">
              line {fault.line}, column {fault.column} · {fault.path}
            </span>
          </li>
        ))}
        {faults.length > mostFaults && <li className="py-1">And {faults.length - mostFaults} more.</li>}
      </ul>
      <p className="flex flex-wrap items-baseline gap-x-4">
        {fields.length
          ? `Valid fields: ${fields.map((f) => f.label || f.id).join(', ')}.`
          : 'No field could be read.'}
        <button
          type="button"
          className="solid-button"
          disabled={fields.length === 0}
          onClick={() => onMake({ arbeit: 2, title, locale, fields, ...(classes ? { classes } : {}) })}
        >
          Import {words}
        </button>
      </p>
    </>
  );
}
