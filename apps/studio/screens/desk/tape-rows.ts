import type { Evaluate } from '@arbeit/dom';
import type { Evaluation, FieldEvent, FieldState, HydratedField } from '@arbeit/engine/field';
import { apply, start } from '@arbeit/engine/field';

/** One row of the desk's tape: an event, and the field after it. */
export interface TapeRow {
  readonly id: number;
  readonly event: FieldEvent;
  readonly state: FieldState;
  readonly evaluation: Evaluation;
}

/** Everything done at the desk since `base`, the state before the first row. */
export interface DeskTape {
  readonly base: FieldState;
  readonly rows: readonly TapeRow[];
}

/** Most rows kept; the oldest are dropped. */
export const mostRows = 500;

export const newTape = (base: FieldState): DeskTape => ({ base, rows: [] });

/**
 * Adds an event to the tape. Consecutive caret moves are one row. `from` is the row that was stepped back to;
 * the new row replaces those after it.
 */
export function recordRow(
  tape: DeskTape,
  field: HydratedField,
  event: FieldEvent,
  state: FieldState,
  from: number | null,
  read: Evaluate,
): DeskTape {
  const kept = from === null ? tape.rows : tape.rows.slice(0, from + 1);
  const row: TapeRow = { id: (tape.rows.at(-1)?.id ?? 0) + 1, event, state, evaluation: read(field, state) };
  const joins = event.type === 'select' && kept.at(-1)?.event.type === 'select';
  const rows = [...(joins ? kept.slice(0, -1) : kept), row];
  const dropped = rows.length - mostRows;
  return dropped > 0
    ? { base: rows[dropped - 1]!.state, rows: rows.slice(dropped) }
    : { base: tape.base, rows };
}

/**
 * The tape after custom code has returned: rows that waited for it are computed again, as if the result had
 * been known then.
 */
export function answered(tape: DeskTape, field: HydratedField, read: Evaluate): DeskTape {
  const isWaiting = ({ evaluation }: TapeRow): boolean =>
    evaluation.findings.some(({ code }) => code === 'unanswered');
  if (!tape.rows.some(isWaiting)) return tape;
  const rows = tape.rows.map((row) => {
    if (!isWaiting(row)) return row;
    const state = apply(field, row.state, { type: 'invalidate' });
    return { ...row, state, evaluation: read(field, state) };
  });
  return { base: tape.base, rows };
}

/** The same keys on another definition of the field: their new results, row by row. */
export function replay(tape: DeskTape, before: HydratedField, now: HydratedField, read: Evaluate): DeskTape {
  const base = carry(tape.base, before, now);
  let state = base;
  const rows = tape.rows.map((row) => {
    state = apply(now, state, row.event);
    return { ...row, state, evaluation: read(now, state) };
  });
  return { base, rows };
}

/**
 * A state carried over to another definition by its raw value. A state that is still at the initial value
 * starts anew.
 */
function carry(state: FieldState, before: HydratedField, now: HydratedField): FieldState {
  const { focused, touched, submitted, body } = state;
  const fresh = start(now);
  const isInitial = body.display === start(before).body.display;
  const carried = isInitial
    ? fresh
    : apply(now, fresh, { type: 'set', text: before.kind.raw(before.plan, body) });
  return { ...carried, past: null, future: null, focused, touched, submitted, rejected: null, leftOut: '' };
}
