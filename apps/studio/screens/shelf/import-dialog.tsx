'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { type SourceFormat, sourceFormatOf } from '@arbeit/handoff/import';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { AddedSet } from '../../model/add-set.ts';
import { type ImportedDocument, importDocument } from '../../model/import-document.ts';
import { addSet, listSets, sendSet } from '../../model/other-sets.ts';
import type { ListedSet } from '../../store/sets.ts';
import { Choices } from '../../ui/choices.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import * as texts from '../../words/shelf/import-dialog.ts';
import { ImportPreviewPane } from './import-preview-pane.tsx';

/** The formats a text can be read as. */
const sorts: Readonly<Record<SourceFormat, string>> = {
  document: texts.arbeitDocument,
  html: texts.htmlForm,
  schema: texts.jsonSchema,
  table: texts.csvOrTsv,
};

/** Most faults shown at once. */
const mostFaults = 50;

/** The longest text that is shown, in UTF-16 units: a text area takes seconds for a longer one. */
const longestShown = 200_000;

/**
 * Imports a document: a file, a pasted text, or a file dropped on the shelf. For an invalid one it shows each
 * fault with its place, and the valid part can be imported anyway.
 */
export function ImportDialog({
  given,
  onClose,
  onTaken,
}: {
  /** The dropped file, or a text. */
  readonly given: string | File;
  readonly onClose: () => void;
  /** Called with the id of the set that has it now. */
  readonly onTaken: (id: string) => void;
}) {
  const [text, setText] = useState(typeof given === 'string' ? given : '');
  const [said, setSaid] = useState('');
  const [chosen, setSort] = useState<SourceFormat>();
  const found = useMemo(() => sourceFormatOf(text), [text]);
  const sort = chosen ?? found;
  const isEmpty = !text.trim();
  const isDocument = !isEmpty && sort === 'document';
  const taken = useMemo(() => (isDocument ? importDocument(text) : null), [isDocument, text]);
  const [into, setInto] = useState<ListedSet>();
  const [done, setDone] = useState<Done>();
  const last = useRef<File>(undefined);
  const read = (file: File): void => {
    last.current = file;
    file.text().then(
      (found) => {
        // A large file may come after what was chosen or typed later.
        if (last.current !== file) return;
        setSort(undefined);
        setText(found);
        setSaid('');
      },
      () => {
        if (last.current === file) setSaid(texts.fileCannotBeRead(file.name));
      },
    );
  };
  const type = (typed: string): void => {
    last.current = undefined;
    setText(typed);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is read once for each file.
  useEffect(() => {
    if (typeof given !== 'string') read(given);
  }, [given]);
  const make = async (document: SetDocument) => {
    if (into) {
      const { problem, renamed } = await sendSet(into.key, document);
      setSaid(problem);
      if (problem) return;
      if (renamed.length) setDone({ into, document, renamed });
      else onTaken(into.id);
      return;
    }
    const added = await addSet(document);
    setSaid(added.problem);
    if ('id' in added) onTaken(added.id);
  };
  if (done)
    return (
      <Dialog title={texts.importTitle} isWide onClose={() => onTaken(done.into.id)}>
        <Added done={done} onClose={() => onTaken(done.into.id)} />
      </Dialog>
    );
  return (
    <Dialog title={texts.importTitle} isWide onClose={onClose}>
      <div className="grid items-end gap-4 sm:grid-cols-2">
        <Labelled label={texts.fileArbeitJsonHtmlJson}>
          {(id) => (
            <input
              id={id}
              type="file"
              accept=".json,.html,.htm,.csv,.tsv,.txt,application/json,text/html,text/csv"
              className="block py-1"
              onChange={({ target }) => {
                const file = target.files?.[0];
                if (file) read(file);
              }}
            />
          )}
        </Labelled>
        <Target into={into} onChange={setInto} />
      </div>
      <Contents text={text} onChange={type} />
      {!isEmpty && <Choices label={texts.format} value={sort} choices={sorts} onChange={setSort} />}
      <div role="status">{taken && <Found taken={taken} into={into} onMake={make} />}</div>
      {!isEmpty && sort !== 'document' && <ImportPreviewPane text={text} sort={sort} onMake={make} />}
      <p role="status" className="min-h-6 text-sm text-brick">
        {said}
      </p>
    </Dialog>
  );
}

/** The text to import, to be pasted or changed; a very long one is only counted. */
function Contents({ text, onChange }: { readonly text: string; readonly onChange: (text: string) => void }) {
  const isLong = text.length > longestShown;
  const place = useRef<HTMLDivElement>(null);
  const wasLong = useRef(isLong);
  useEffect(() => {
    if (wasLong.current === isLong) return;
    wasLong.current = isLong;
    // What had the focus is gone, and so it goes to what is there instead.
    if (document.activeElement?.matches('body, [role="dialog"]'))
      place.current?.querySelector<HTMLElement>('button, textarea')?.focus();
  }, [isLong]);
  return (
    <div ref={place}>
      {isLong ? (
        <p className="flex flex-wrap items-baseline gap-x-4">
          {texts.longText(text.length)}
          <button type="button" className="word-button" onClick={() => onChange('')}>
            {texts.remove}
          </button>
        </p>
      ) : (
        <Labelled label={texts.orPasteItsContents}>
          {(id) => (
            <textarea
              id={id}
              className="entry value h-32 text-xs"
              spellCheck={false}
              value={text}
              onChange={(event) => onChange(event.target.value)}
            />
          )}
        </Labelled>
      )}
    </div>
  );
}

/** What was imported into a set where some ids were taken. */
interface Done {
  readonly into: ListedSet;
  readonly document: SetDocument;
  readonly renamed: AddedSet['renamed'];
}

/** Says what has other ids in the set now. */
function Added({
  done: { into, document, renamed },
  onClose,
}: {
  readonly done: Done;
  readonly onClose: () => void;
}) {
  const words = texts.fieldCount(document.fields.length);
  const changed = renamed.map(([before, after]) => texts.renamedTo(before, after)).join(', ');
  return (
    <>
      <p role="status">{texts.addedWithOtherIds(words, into.title, changed)}</p>
      <button type="button" className="solid-button mt-3" onClick={onClose}>
        {texts.goToSet}
      </button>
    </>
  );
}

/** Chooses where the import goes: a new set, or one of the sets. */
function Target({
  into,
  onChange,
}: {
  readonly into: ListedSet | undefined;
  readonly onChange: (into: ListedSet | undefined) => void;
}) {
  const [sets, setSets] = useState<readonly ListedSet[]>();
  // Without an answer there is still the new set.
  useEffect(() => void listSets().then(setSets, () => setSets([])), []);
  return (
    <Labelled label={texts.into}>
      {(id) => (
        <select
          id={id}
          className="entry"
          value={into?.key ?? ''}
          onChange={({ target }) => onChange(sets?.find(({ key }) => key === target.value))}
        >
          <option value="">{texts.aNewSet}</option>
          {sets === undefined && <option disabled>{texts.loadingSets}</option>}
          {sets?.map(({ key, title }) => (
            <option key={key} value={key}>
              {title}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  );
}

function Found({
  taken,
  into,
  onMake,
}: {
  readonly taken: ImportedDocument;
  readonly into: ListedSet | undefined;
  readonly onMake: (document: SetDocument) => void;
}) {
  const { document, faults, fields, title, locale, classes } = taken;
  const words = texts.fieldCount(fields.length);
  if (document)
    return (
      <p className="flex flex-wrap items-baseline gap-x-4">
        {texts.isValid(title, words)}
        <button type="button" className="solid-button" onClick={() => onMake(document)}>
          {into ? texts.importIntoSet(into.title) : texts.importAsANewSet}
        </button>
      </p>
    );
  return (
    <>
      <p>{texts.errors(faults.length)}</p>
      <ul className="my-2 max-h-48 overflow-y-auto text-sm">
        {faults.slice(0, mostFaults).map((fault) => (
          <li key={`${fault.path} ${fault.message}`} className="border-b py-1">
            <span className="text-brick">
              {fault.where}: {fault.message}
            </span>{' '}
            <span className="value text-xs text-faint">
              {texts.lineColumnWithLineColumn(fault.line, fault.column, fault.path)}
            </span>
          </li>
        ))}
        {faults.length > mostFaults && <li className="py-1">{texts.andMore(faults.length - mostFaults)}</li>}
      </ul>
      <p className="flex flex-wrap items-baseline gap-x-4">
        {fields.length
          ? texts.validFields(fields.map((f) => f.label || f.id).join(', '))
          : texts.noFieldCouldBeRead}
        <button
          type="button"
          className="solid-button"
          disabled={fields.length === 0}
          onClick={() => onMake({ arbeit: 2, title, locale, fields, ...(classes ? { classes } : {}) })}
        >
          {texts.importLabelWithWords(words)}
        </button>
      </p>
    </>
  );
}
