'use client';

import { type ChangeEvent, type ReactNode, useEffect, useRef, useState } from 'react';
import { takenInWords } from '../../field/taken.ts';
import { copyText } from '../../ui/copy-text.ts';
import { Menu } from '../../ui/pop-out.tsx';
import * as words from '../../words/desk/tape-head.ts';
import type { TapeRow } from './tape-rows.ts';

/** Largest tape file, in bytes. */
const mostBytes = 500_000;

/** The number of rows, and the actions on the whole tape. */
export function TapeHead({
  rows,
  at,
  here,
  kept,
  textOf,
  onStepTo,
  onOpen,
  onKeep,
  onClear,
  onRestore,
  isChoosing,
  onChoosing,
}: {
  readonly rows: readonly TapeRow[];
  readonly at: number | null;
  readonly here: number;
  readonly kept: ReactNode;
  readonly textOf: () => Promise<string>;
  readonly onStepTo: (row: number) => void;
  readonly onOpen: (text: string) => Promise<string>;
  readonly onKeep: () => void;
  readonly onClear: () => void;
  readonly onRestore: (() => void) | null;
  readonly isChoosing: boolean;
  readonly onChoosing: (isChoosing: boolean) => void;
}) {
  const [copied, setCopied] = useState('');
  const last = rows.at(-1);
  const copy = async () => setCopied(await copyText(textOf()));
  // What was said of a copy is said of this tape alone.
  // biome-ignore lint/correctness/useExhaustiveDependencies: another row is another tape
  useEffect(() => setCopied(''), [rows]);
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 border-b border-ink pb-1">
      <h2 className="font-semibold">{words.tape}</h2>
      <span className="caption">
        <span role="status">{kept || copied}</span>
        {/* Not announced: it changes with every key. */}
        {!kept &&
          !copied &&
          (rows.length === 0
            ? words.empty
            : at === null
              ? words.rows(rows.length)
              : words.rowOfNewKeysContinue(at + 1, rows.length))}
      </span>
      {/* For those who cannot see it at its row. */}
      <p role="status" aria-label={words.lastRejection} className="sr-only">
        {last && takenInWords(last.state, last.event)}
      </p>
      <div className="ml-auto flex flex-wrap justify-end gap-x-4 whitespace-nowrap">
        <button type="button" className="word-button" disabled={here <= 0} onClick={() => onStepTo(here - 1)}>
          {words.stepBack}
        </button>
        <button
          type="button"
          className="word-button"
          disabled={at === null}
          onClick={() => onStepTo(here + 1)}
        >
          {words.stepForward}
        </button>
        <button type="button" className="word-button" disabled={rows.length === 0} onClick={onKeep}>
          {words.saveAsTrial}
        </button>
        {/* One button, so that the focus stays where it is. */}
        <button
          type="button"
          className="word-button"
          disabled={rows.length === 0 && !onRestore}
          onClick={onRestore ?? onClear}
        >
          {onRestore ? words.restoreTape : words.clearTape}
        </button>
        <TapeMenu
          isChoosing={isChoosing}
          onChoosing={onChoosing}
          onCopy={copy}
          onOpen={async (text) => setCopied(await onOpen(text))}
          onFault={setCopied}
        />
      </div>
    </div>
  );
}

/** What is seldom done with a tape. */
function TapeMenu({
  isChoosing,
  onChoosing,
  onCopy,
  onOpen,
  onFault,
}: {
  readonly isChoosing: boolean;
  readonly onChoosing: (isChoosing: boolean) => void;
  readonly onCopy: () => void;
  readonly onOpen: (text: string) => Promise<void>;
  /** Called with an error message. */
  readonly onFault: (message: string) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const open = async ({ target }: ChangeEvent<HTMLInputElement>) => {
    const [chosen] = target.files ?? [];
    // Lets the same file be opened a second time.
    target.value = '';
    if (!chosen) return;
    if (chosen.size > mostBytes) onFault(words.thisFileIsTooLarge);
    else
      await chosen
        .text()
        .then(onOpen)
        .catch(() => onFault(words.couldNotLoadThisPart));
  };
  return (
    <>
      <input
        ref={file}
        type="file"
        accept=".tape,text/plain"
        aria-label={words.openATape}
        hidden
        onChange={open}
      />
      <Menu
        trigger={words.more}
        button={{ className: 'word-button', 'aria-label': words.moreTapeActions }}
        align="end"
        className="min-w-56"
        items={() => [
          {
            id: 'expectations',
            label: isChoosing ? words.hideExpectations : words.chooseExpectations,
            onSelect: () => onChoosing(!isChoosing),
          },
          { id: 'copy', label: words.copyAsText, isApart: true, onSelect: onCopy },
          { id: 'open', label: words.openATape, onSelect: () => file.current?.click() },
        ]}
      />
    </>
  );
}
