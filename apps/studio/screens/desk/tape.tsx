'use client';

import { writeEvent } from '@arbeit/engine/tape';
import { type KeyboardEvent, type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';
import { assumedInWords } from '../../model/assumed.ts';
import { keyInWords, refusalInWords } from '../../model/key-words.ts';
import { shortened } from '../../model/shortened.ts';
import * as words from '../../words/desk/tape.ts';
import { Expected } from './expected.tsx';
import { type DeskExpectable, type Expects, expectedAt } from './expects.ts';
import { oneLine } from './one-line.ts';
import type { Play } from './plays.ts';
import { TapeHead } from './tape-head.tsx';
import type { TapeRow } from './tape-rows.ts';

const nothing: ReadonlySet<string> = new Set();

const headings = [
  words.key,
  words.displayHeading,
  words.rawHeading,
  words.value,
  words.flagsHeading,
  words.messages,
];

/** The scrolling list of rows, which shows the row that the desk shows. */
function useFollowed(here: number, count: number): RefObject<HTMLElement | null> {
  const list = useRef<HTMLElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: follows the row, whatever it is
  useEffect(() => {
    const row = list.current?.querySelector<HTMLElement>('[aria-current="step"]');
    if (!row || !list.current) return;
    // Scrolls only the rows, not the page.
    const { scrollTop, clientHeight } = list.current;
    const top = row.offsetTop - 28;
    if (top < scrollTop) list.current.scrollTop = top;
    else if (row.offsetTop + row.offsetHeight > scrollTop + clientHeight)
      list.current.scrollTop = row.offsetTop + row.offsetHeight - clientHeight;
  }, [here, count]);
  return list;
}

/**
 * What was done to the field, one row per keystroke. The whole desk can be stepped back and forth along it.
 */
export function Tape({
  rows,
  at,
  plays,
  onStep,
  onClear,
  onRestore,
  onPlay,
  textOf,
  expects,
  onExpect,
  onKeep,
  onOpen,
  kept,
}: {
  readonly rows: readonly TapeRow[];
  /** The row the desk shows; `null` for the present. */
  readonly at: number | null;
  readonly onStep: (row: number | null) => void;
  readonly onClear: () => void;
  /** Brings back the tape that was cleared; `null` if there is none. */
  readonly onRestore: (() => void) | null;
  /** Demonstrations offered before anything was done. */
  readonly plays: readonly Play[];
  readonly onPlay: (play: Play) => void;
  /** The tape as text that can be played. */
  readonly textOf: () => Promise<string>;
  readonly expects: Expects;
  readonly onExpect: (row: TapeRow, what: DeskExpectable) => void;
  /** Saves the tape as a trial of the set. */
  readonly onKeep: () => void;
  /** Plays the text of a tape from elsewhere; returns what is wrong with it. */
  readonly onOpen: (text: string) => Promise<string>;
  /** The message about the last trial that was saved. */
  readonly kept: ReactNode;
}) {
  /** Whether the expectations of a trial are being chosen. */
  const [isChoosing, setChoosing] = useState(false);
  const here = at ?? rows.length - 1;
  const list = useFollowed(here, rows.length);
  const step = (to: number) => onStep(to >= rows.length - 1 ? null : Math.max(0, to));
  const onKeyDown = (event: KeyboardEvent) => {
    const to = { ArrowUp: here - 1, ArrowDown: here + 1, Home: 0, End: rows.length - 1 }[event.key];
    if (to === undefined || rows.length === 0) return;
    event.preventDefault();
    step(to);
  };
  return (
    <section aria-label={words.tape} className="flex grow flex-col">
      <TapeHead
        rows={rows}
        at={at}
        here={here}
        kept={kept}
        textOf={textOf}
        onStepTo={step}
        onOpen={onOpen}
        onKeep={onKeep}
        onClear={onClear}
        onRestore={onRestore}
        isChoosing={isChoosing}
        onChoosing={setChoosing}
      />
      {isChoosing && (
        <div className="min-h-8">
          {rows[here] ? (
            <Expected rows={rows} row={rows[here]} expects={expects} onToggle={onExpect} />
          ) : (
            <p className="py-1 text-sm text-faint">{words.nothingToExpectYet}</p>
          )}
        </div>
      )}
      {/* biome-ignore-start lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by keyboard, and arrows step here */}
      <section
        ref={list}
        tabIndex={0}
        aria-label={words.rowsOfTheTape}
        onKeyDown={onKeyDown}
        className="tape-rows"
      >
        {rows.length === 0 ? (
          <NothingYet plays={plays} onPlay={onPlay} />
        ) : (
          <table className="w-full border-collapse text-left text-sm">
            <thead className="caption sticky top-0 bg-paper">
              <tr>
                {headings.map((name) => (
                  <th key={name} scope="col" className="py-1 pr-4 font-normal">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row, i) => (
                <Row
                  key={row.id}
                  row={row}
                  before={rows[i - 1]}
                  isHere={i === here}
                  expected={isChoosing ? expectedAt(rows, row, expects) : nothing}
                  onStep={() => step(i)}
                  onExpect={isChoosing ? (what) => onExpect(row, what) : undefined}
                />
              ))}
            </tbody>
          </table>
        )}
      </section>
      {/* biome-ignore-end lint/a11y/noNoninteractiveTabindex: see above */}
    </section>
  );
}

/** Shown before anything was done. */
function NothingYet({
  plays,
  onPlay,
}: {
  readonly plays: readonly Play[];
  readonly onPlay: (play: Play) => void;
}) {
  return (
    <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2 py-4">
      <p className="text-faint">{words.typeIntoTheFieldAbove}</p>
      {plays.map((play) => (
        <button key={play.label} type="button" className="word-button" onClick={() => onPlay(play)}>
          {play.label}
        </button>
      ))}
    </div>
  );
}

function Row({
  row,
  before,
  isHere,
  expected,
  onStep,
  onExpect,
}: {
  readonly row: TapeRow;
  readonly before: TapeRow | undefined;
  readonly isHere: boolean;
  readonly expected: ReadonlySet<string>;
  readonly onStep: () => void;
  /** Keeps or drops an expectation of the row; only while expectations are chosen. */
  readonly onExpect: ((what: DeskExpectable) => void) | undefined;
}) {
  const { evaluation, state } = row;
  const changed = (isChanged: boolean) => (isChanged ? 'font-bold text-ink' : 'text-faint');
  // While expectations are chosen, a click on a cell of the current row keeps or drops it. On another row it
  // goes to that row.
  const cell = (what: DeskExpectable) => ({
    'data-expected': expected.has(what) || undefined,
    onClick: isHere && onExpect ? () => onExpect(what) : undefined,
  });
  const flags = Object.entries(evaluation.flags).filter(([, on]) => on);
  const wasOn = new Set(
    Object.entries(before?.evaluation.flags ?? {}).flatMap(([name, on]) => (on ? [name] : [])),
  );
  return (
    <tr
      onClick={onStep}
      aria-current={isHere ? 'step' : undefined}
      className={`cursor-pointer border-b align-top ${isHere ? 'bg-wash' : ''}`}
    >
      <td className="value max-w-56 truncate whitespace-nowrap py-px pr-4">
        {isHere ? <span aria-hidden="true">▸ </span> : <span aria-hidden="true">{'\u00a0 '}</span>}
        <span title={writeEvent(row.event)}>{oneLine(keyInWords(row.event))}</span>
      </td>
      <td
        {...cell('display')}
        className={`value whitespace-pre py-px pr-4 ${changed(before?.evaluation.display !== evaluation.display)}`}
      >
        {state.focused ? (
          <Drawn display={evaluation.display} start={state.start} end={state.end} />
        ) : (
          evaluation.display
        )}
      </td>
      <td
        {...cell('raw')}
        className={`value max-w-40 truncate whitespace-pre py-px pr-4 ${changed(before?.evaluation.raw !== evaluation.raw)}`}
      >
        {oneLine(evaluation.raw)}
      </td>
      <td
        {...cell('value')}
        className={`value max-w-40 truncate py-px pr-4 ${changed(before?.evaluation.value !== evaluation.value)}`}
      >
        {oneLine(evaluation.value ?? 'null')}
      </td>
      <td {...cell('flags')} className="py-px pr-4 text-xs leading-5">
        {flags.map(([name]) => (
          <span key={name} className={`mr-1.5 ${changed(!wasOn.has(name))}`}>
            {name}
          </span>
        ))}
      </td>
      <td {...cell('codes')} className="py-px">
        {state.rejected && (
          <span className="text-brick">
            {refusalInWords(state.rejected, row.event)} <span className="caption">{state.rejected}</span>{' '}
          </span>
        )}
        {state.leftOut && <span className="text-marigold">{words.ignored(shortened(state.leftOut))} </span>}
        {state.body.assumed && state.body.assumed !== before?.state.body.assumed && (
          <span className="text-faint">{words.readAs(assumedInWords(state.body.assumed))} </span>
        )}
        {evaluation.shown.map((message) => (
          <span key={message.rule} className={message.severity === 'error' ? 'text-brick' : 'text-marigold'}>
            {message.message}{' '}
          </span>
        ))}
      </td>
    </tr>
  );
}

/** A display with its caret or selection drawn in. */
function Drawn({
  display,
  start,
  end,
}: {
  readonly display: string;
  readonly start: number;
  readonly end: number;
}) {
  return (
    <>
      {display.slice(0, start)}
      {start === end ? (
        <span aria-hidden="true" className="-mx-px inline-block h-4 w-0.5 bg-oxide align-text-bottom" />
      ) : (
        <span className="bg-oxide/25 text-ink">{display.slice(start, end)}</span>
      )}
      {display.slice(end)}
    </>
  );
}
