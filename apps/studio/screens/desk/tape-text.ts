import type { HydratedField } from '@arbeit/engine/field';
import { start } from '@arbeit/engine/field';
import { type Expectable, expectationOf, writeEvent } from '@arbeit/engine/tape';
import type { DeskTape, TapeRow } from './tape-rows.ts';

/** What a tape of the desk is written down with: where it is to be played, and on which day. */
export interface TapeHead {
  /** Left out where somebody else says what it is called. */
  readonly title?: string;
  readonly fieldId: string;
  /** ISO 8601. */
  readonly today: string;
}

/** What is expected at rows of a tape, by the row’s id. */
export type Expects = ReadonlyMap<number, ReadonlySet<Expectable>>;

/** What can be expected on the desk, with what people call it. */
export const expectables = {
  display: 'display',
  raw: 'raw',
  value: 'value',
  codes: 'what is said',
  message: 'its wording',
  flags: 'flags',
  rejected: 'a refusal',
  'left-out': 'what is left out',
} as const satisfies Partial<Record<Expectable, string>>;
export type DeskExpectable = keyof typeof expectables;

const proposed: ReadonlySet<Expectable> = new Set<Expectable>(['display', 'raw', 'value', 'codes']);

/** What is expected of a row: what somebody said, else of the last one what there is to see of it. */
export const expectedAt = (
  rows: readonly TapeRow[],
  row: TapeRow,
  expects: Expects,
): ReadonlySet<Expectable> => expects.get(row.id) ?? (row === rows.at(-1) ? proposed : new Set());

/** A row of the desk as a tape that is played has it. */
const lineOf = ({ evaluation, state }: TapeRow, what: Expectable): string => {
  const { display, raw, value, flags, shown } = evaluation;
  // Where nobody is in the field its caret is nowhere.
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
 * The tape as text that plays again: its day, what the field held at the start, keys in a row as one `type`,
 * and what is expected where.
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
  // The desk's rows may begin in a field that has the focus already.
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
