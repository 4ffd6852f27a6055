import type { HydratedField } from '@arbeit/engine/field';
import { start } from '@arbeit/engine/field';
import { type Expectable, expectationOf, writeEvent } from '@arbeit/engine/tape';
import { type DeskExpectable, type Expects, expectables, expectedAt } from './expects.ts';
import type { DeskTape, TapeRow } from './tape-rows.ts';

/** The head of a written tape: where it is played, and the date. */
export interface TapeHead {
  /** Left out if the title is stored elsewhere. */
  readonly title?: string;
  readonly fieldId: string;
  /** ISO 8601. */
  readonly today: string;
}

/** A row of the desk in the form of a played tape. */
const lineOf = ({ evaluation, state }: TapeRow, what: Expectable): string => {
  const { display, raw, value, flags, shown } = evaluation;
  // Without focus there is no caret.
  if (what === 'display' && !state.focused)
    return `expect display ${JSON.stringify(display.replaceAll('|', '\\|'))}`;
  return expectationOf(
    {
      tape: '',
      line: 0,
      action: '',
      field: '',
      display,
      caret: [state.start, state.end],
      raw,
      value,
      flags,
      codes: shown.map(({ code }) => code),
      message: shown[0]?.message ?? null,
      rejected: state.rejected,
      leftOut: state.leftOut,
      focus: null,
      submitted: false,
    },
    what,
  );
};

/**
 * The tape as text that can be played: its date, the field's content at the start, consecutive keys as one
 * `type`, and the expectations.
 */
export function tapeText(
  { title, fieldId, today }: TapeHead,
  field: HydratedField,
  { base, rows }: DeskTape,
  expects: Expects = new Map(),
): string {
  const lines = [
    ...(title === undefined ? [] : [`tape ${JSON.stringify(title)}`]),
    `field ${fieldId}`,
    `today ${today}`,
  ];
  const raw = field.kind.raw(field.plan, base.body);
  if (raw !== field.kind.raw(field.plan, start(field).body)) lines.push(`set ${JSON.stringify(raw)}`);
  // The desk's rows may begin in a field that already has the focus.
  if (base.focused && rows[0]?.event.type !== 'focus') lines.push('focus');
  let typed = '';
  const flush = () => {
    if (typed) lines.push(`type ${JSON.stringify(typed)}`);
    typed = '';
  };
  for (const row of rows) {
    const { event } = row;
    if (event.type === 'key') typed += event.text;
    else {
      flush();
      lines.push(writeEvent(event));
    }
    const expected = expectedAt(rows, row, expects);
    if (expected.size === 0) continue;
    flush();
    for (const what of Object.keys(expectables) as DeskExpectable[])
      if (expected.has(what)) lines.push(lineOf(row, what));
  }
  flush();
  return `${lines.join('\n')}\n`;
}
