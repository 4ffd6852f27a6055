'use client';

import { type FieldStore, localToday } from '@arbeit/dom';
import type { FieldEvent, HydratedField } from '@arbeit/engine/field';
import { fieldEvents, type Hand, hands, parseTape, byHand as playedBy, type Tape } from '@arbeit/engine/tape';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import type { EditedSet } from '../../model/use-set.ts';
import { useAtFirstUse } from '../../ui/first-use.ts';
import { later } from '../../ui/later.tsx';
import { Link } from '../../ui/link.tsx';
import type { TapeRow } from './tape-rows.ts';
import { type DeskExpectable, type Expects, expectedAt, tapeText } from './tape-text.ts';
import { byHand, type useBench } from './use-bench.ts';

const trialEdits = later(() => import('../../model/trial-edits.ts'));

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
  textOf(): string;
  onExpect(row: TapeRow, what: DeskExpectable): void;
  onKeep(): Promise<void>;
  /** Starts a new tape, without expectations. */
  onClear(): void;
} {
  useAtFirstUse(trialEdits);
  const [expects, setExpects] = useState<Expects>(new Map());
  const [kept, setKept] = useState<{ readonly id: string; readonly rows: number }>();
  const { rows } = bench.tape;
  return {
    expects,
    textOf: () =>
      tapeText({ title: `${name} trial 1`, fieldId: field.id, today }, field, bench.tape, expects),
    onExpect(row, what) {
      const now = new Set(expectedAt(rows, row, expects));
      if (!now.delete(what)) now.add(what);
      setExpects(new Map(expects).set(row.id, now));
    },
    async onKeep() {
      if (rows.length === 0) return;
      const tape = tapeText({ fieldId: field.id, today }, field, bench.tape, expects);
      // A trial must expect something: if every expectation was dropped, it expects what the last row shows.
      const sound = /^expect /m.test(tape) ? tape : tapeText({ fieldId: field.id, today }, field, bench.tape);
      const { addTrials } = await trialEdits.fetch();
      const trial = { id: field.id, name: `${name} trial 1`, tape: sound };
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
      // Rows of a new tape are numbered from one again.
      setExpects(new Map());
      setKept(undefined);
    },
    kept:
      kept && kept.rows === rows.length ? (
        <>
          Saved as a trial.{' '}
          <Link href={`/sets/${set.key}/trials#${kept.id}`} className="word-button">
            Give it a name and a reason
          </Link>
        </>
      ) : null,
  };
}

/**
 * Plays a tape on the desk with one kind of input. Returns the row at a line, as the desk records it: an
 * event that changes nothing has no row unless it is a key, and consecutive caret moves are one.
 */
function playOn(
  store: FieldStore,
  tape: Tape,
  hand: Hand,
  line = Number.POSITIVE_INFINITY,
): number | undefined {
  const { steps } = playedBy({ fields: [store.field], forms: [] }, tape, hand, tape.today);
  let count = 0;
  let here: number | undefined;
  let last = '';
  const dispatch = (event: FieldEvent): void => {
    const before = store.state();
    if (store.dispatch(event) === before && !byHand.test(event.type)) return;
    if (event.type !== 'select' || last !== 'select') count++;
    last = event.type;
  };
  for (const step of steps) {
    if (step.do === 'expect' || step.do === 'wait' || step.do === 'answer' || step.do === 'sent') continue;
    const isWhole = step.do === 'focus' || step.do === 'leave' || step.do === 'submit' || step.do === 'reset';
    if (!store.state().focused && !isWhole && step.do !== 'set' && step.do !== 'autofill')
      dispatch({ type: 'focus' });
    const events = isWhole ? [{ type: step.do } as const] : fieldEvents(step, store.state(), store.field);
    for (const event of events) dispatch(event);
    if (step.line <= line) here = count - 1;
  }
  return here;
}

/**
 * Plays the trial or tape in the address on the desk after hydration, up to the line and with the input that
 * the address names.
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
    const read = text ? parseTape(text) : undefined;
    if (!read?.ok) return;
    isPlayed.current = true;
    const line = asked.get('line');
    const hand = hands.find((one) => one === asked.get('hand')) ?? 'keys';
    const here = playOn(latest.current.store, read.tape, hand, line === null ? undefined : Number(line));
    if (line !== null) setAt(here);
  }, [set.document]);
  // The rows are there after the next render.
  const rows = bench.tape.rows.length;
  useEffect(() => {
    if (at === undefined || rows === 0) return;
    setAt(undefined);
    latest.current.step(at >= rows - 1 ? null : at);
  }, [at, rows]);
}

/**
 * Plays the text of a tape, for example one recorded in a page, after `begin` has replaced the present one.
 * If it cannot be played, returns why, in a sentence.
 */
export function playText(store: FieldStore, text: string, begin: () => void): string {
  const read = parseTape(text);
  if (!read.ok) {
    const [first] = read.faults;
    return first ? `Line ${first.line}, column ${first.column}: ${first.message}` : 'It cannot be read.';
  }
  const { target } = read.tape;
  if (target.type !== 'field' || target.id !== store.field.id)
    return `This tape is for the ${target.type} “${target.id}”, not for “${store.field.id}”.`;
  store.dispatch({ type: 'reset' });
  begin();
  playOn(store, read.tape, 'keys');
  return '';
}
