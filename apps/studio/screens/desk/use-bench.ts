'use client';

import { createStore, evaluateOn, type FieldStore } from '@arbeit/dom';
import type { FieldEvent, FieldState, HydratedField } from '@arbeit/engine/field';
import { start } from '@arbeit/engine/field';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useOutcomes } from '../../field/custom-code/use-custom-code.ts';
import { hasCustomCode } from '../../model/has-custom-code.ts';
import { answered, newTape, recordRow, replay } from './tape-rows.ts';

/** Events that a person causes in the field. Each of them leaves a row, even if it changed nothing. */
export const byHand = /^(?:key|insert|paste|backspace|delete|word-backspace|cut|up|down|undo|redo)$/;

/** A store that also reports events that changed nothing: a key that is rejected twice is still a key. */
function telling(store: FieldStore, tell: (event: FieldEvent, state: FieldState) => void): FieldStore {
  return {
    ...store,
    dispatch(event) {
      const before = store.state();
      const after = store.dispatch(event);
      if (after === before && byHand.test(event.type)) tell(event, after);
      return after;
    },
  };
}

/** The listener for events that changed nothing; set once the desk is mounted. */
type Ear = { current: (event: FieldEvent, state: FieldState) => void };

/** A bench at the end of its tape. */
const nothingBeside: {
  readonly at: number | null;
  /** The tape that was cleared last. */
  readonly cleared: ReturnType<typeof newTape> | null;
} = { at: null, cleared: null };

/**
 * The field's state and the tape of this visit. When the definition changes, the same keys are played on the
 * new one. Stepping back shows the whole desk at that row.
 */
export function useBench(compiled: HydratedField, today: string | undefined) {
  const read = useMemo(() => evaluateOn(today), [today]);
  const [ear] = useState<Ear>(() => ({ current: () => undefined }));
  const storeFrom = (state: FieldState): FieldStore =>
    telling(createStore(compiled, read, state), (event, now) => ear.current(event, now));
  const [bench, setBench] = useState(() => {
    const base = start(compiled);
    return { compiled, store: storeFrom(base), tape: newTape(base), ...nothingBeside };
  });
  let present = bench;
  if (bench.compiled !== compiled) {
    const tape = replay(bench.tape, bench.compiled, compiled, read);
    const { focused } = bench.store.state();
    const here = tape.rows[bench.at ?? tape.rows.length - 1]?.state ?? tape.base;
    // A cleared tape is of the definition it was played on.
    present = { compiled, store: storeFrom({ ...here, focused }), tape, at: bench.at, cleared: null };
    setBench(present);
  }
  const { store } = present;
  useEffect(() => {
    // The tape begins with what was typed before hydration.
    setBench((b) =>
      b.tape.rows.length === 0 && b.store === store && b.tape.base !== store.state()
        ? { ...b, tape: newTape(store.state()) }
        : b,
    );
    const hear = (state: FieldState, event: FieldEvent | null) => {
      if (!event) return;
      setBench((b) => {
        if (b.store !== store) return b;
        // Looking at an earlier row and blurring the field again is not an edit of the tape.
        const isLooking = b.at !== null && /^(focus|leave|select)$/.test(event.type);
        return isLooking
          ? b
          : { ...b, tape: recordRow(b.tape, store.field, event, state, b.at, read), at: null };
      });
    };
    ear.current = (event, state) => hear(state, event);
    return store.subscribe(hear);
  }, [store, read, ear]);
  const hearAnswers = useCallback(
    () => setBench((b) => (b.store === store ? { ...b, tape: answered(b.tape, store.field, read) } : b)),
    [store, read],
  );
  useOutcomes(hasCustomCode(compiled), hearAnswers);
  const step = (to: number | null) => {
    const row = present.tape.rows[to ?? present.tape.rows.length - 1];
    if (!row) return;
    setBench((b) => ({ ...b, at: to }));
    store.restore({ ...row.state, focused: store.state().focused });
  };
  const clear = () =>
    setBench((b) => ({
      ...b,
      tape: newTape(store.state()),
      at: null,
      cleared: b.tape.rows.length ? b.tape : b.cleared,
    }));
  /** The tape that was cleared last, while nothing has been recorded since. */
  const cleared = present.tape.rows.length === 0 ? present.cleared : null;
  const restore = () => {
    if (!cleared) return;
    setBench((b) => ({ ...b, tape: cleared, at: null, cleared: null }));
    const last = cleared.rows.at(-1)?.state ?? cleared.base;
    store.restore({ ...last, focused: store.state().focused });
  };
  return { store, tape: present.tape, at: present.at, step, clear, restore: cleared ? restore : null };
}
