'use client';

import { localToday } from '@arbeit/dom';
import type { HydratedField } from '@arbeit/engine/field';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import type { EditedSet } from '../../model/use-set.ts';
import { useAtFirstUse } from '../../ui/first-use.ts';
import { later } from '../../ui/later.tsx';
import { Link } from '../../ui/link.tsx';
import * as words from '../../words/desk/use-trial-tape.ts';
import { type DeskExpectable, type Expects, expectedAt } from './expects.ts';
import type { TapeRow } from './tape-rows.ts';
import type { useBench } from './use-bench.ts';

const trialEdits = later(() => import('../../model/trial-edits.ts'));
const writer = later(() => import('./tape-text.ts'));
/** Reads and plays tapes. */
export const player = later(() => import('./play-tape.ts'));

type Bench = ReturnType<typeof useBench>;

/** The expectations of a trial made from the desk's tape, and the action that makes it. */
export function useTrialTape(
  set: EditedSet,
  field: HydratedField,
  bench: Bench,
  { name, today = localToday() }: { readonly name: string; readonly today: string | undefined },
): {
  readonly expects: Expects;
  readonly kept: ReactNode;
  textOf(): Promise<string>;
  onExpect(row: TapeRow, what: DeskExpectable): void;
  onKeep(): Promise<void>;
  /** Starts a new tape, without expectations. */
  onClear(): void;
  /** Brings back the tape that was cleared, with its expectations; `null` if there is none. */
  readonly onRestore: (() => void) | null;
} {
  useAtFirstUse(trialEdits, writer, player);
  const [expects, setExpects] = useState<Expects>(new Map());
  const [kept, setKept] = useState<{ readonly id: string; readonly rows: number }>();
  const [before, setBefore] = useState(expects);
  const { rows } = bench.tape;
  return {
    expects,
    async textOf() {
      const { tapeText } = await writer.fetch();
      return tapeText(
        { title: words.firstTrial(name), fieldId: field.id, today },
        field,
        bench.tape,
        expects,
      );
    },
    onExpect(row, what) {
      const now = new Set(expectedAt(rows, row, expects));
      if (!now.delete(what)) now.add(what);
      setExpects(new Map(expects).set(row.id, now));
    },
    async onKeep() {
      if (rows.length === 0) return;
      const { tapeText } = await writer.fetch();
      const tape = tapeText({ fieldId: field.id, today }, field, bench.tape, expects);
      // A trial must expect something: if every expectation was dropped, it expects what the last row shows.
      const sound = /^expect /m.test(tape) ? tape : tapeText({ fieldId: field.id, today }, field, bench.tape);
      const { addTrials } = await trialEdits.fetch();
      const trial = { id: field.id, name: words.firstTrial(name), tape: sound };
      let id: string | undefined;
      set.edit((d) => {
        const added = addTrials(d, [trial]);
        [id] = added.ids;
        return added.set;
      });
      if (id !== undefined) setKept({ id, rows: rows.length });
    },
    onClear() {
      bench.clear();
      // An empty tape that is cleared again leaves the one before to be restored.
      if (rows.length > 0) setBefore(expects);
      // Rows of a new tape are numbered from one again.
      setExpects(new Map());
      setKept(undefined);
    },
    onRestore:
      bench.restore &&
      (() => {
        bench.restore?.();
        setExpects(before);
      }),
    kept:
      kept && kept.rows === rows.length ? (
        <>
          {words.savedAsATrial}{' '}
          <Link href={`/sets/${set.key}/trials#${kept.id}`} className="word-button">
            {words.giveItAName}
          </Link>
        </>
      ) : null,
  };
}

/**
 * Plays the trial or tape in the address on the desk after hydration, up to the line and with the input that
 * the address names. If somebody types before it is loaded, it is not played: what was typed stays.
 */
export function useNamedTrial(set: EditedSet, bench: Bench): void {
  const isPlayed = useRef(false);
  const latest = useRef(bench);
  latest.current = bench;
  const [at, setAt] = useState<number>();
  useEffect(() => {
    if (isPlayed.current) return;
    const asked = new URLSearchParams(location.search);
    const trial = set.document.trials?.find(({ id }) => id === asked.get('trial'));
    const text = trial?.tape ?? asked.get('tape');
    if (!text) return;
    isPlayed.current = true;
    const begin = ({ playNamed }: Awaited<ReturnType<typeof player.fetch>>): void => {
      const { store, tape } = latest.current;
      if (tape.rows.length > 0) return;
      const line = asked.get('line');
      const played = playNamed(store, text, asked.get('hand'), line);
      if (played && line !== null) setAt(played.row);
    };
    // Without the player the desk works as without a trial; the trial can be opened again.
    player.fetch().then(begin, () => undefined);
  }, [set.document]);
  // The rows are there after the next render.
  const rows = bench.tape.rows.length;
  useEffect(() => {
    if (at === undefined || rows === 0) return;
    setAt(undefined);
    latest.current.step(at >= rows - 1 ? null : at);
  }, [at, rows]);
}
