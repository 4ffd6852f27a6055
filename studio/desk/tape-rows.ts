import { type Reading, read } from '../../engine/rules/reading.ts';
import type { CompiledField } from '../../engine/run/plan.ts';
import type { FieldEvent, FieldState } from '../../engine/run/state.ts';

/** One row of the desk's tape: what was done, and the field after it. */
export interface TapeRow {
  readonly id: number;
  readonly event: FieldEvent;
  readonly state: FieldState;
  readonly reading: Reading;
}

/** The most rows that are kept; the oldest go first. */
export const mostRows = 500;

/**
 * Takes an event into the tape. Caret moves in a row are one row, and so is a caret that is where it was; `from`
 * is the row stepped back to, whose followers the new one replaces.
 */
export function recordRow(
  rows: readonly TapeRow[],
  field: CompiledField,
  event: FieldEvent,
  state: FieldState,
  from: number | null,
): readonly TapeRow[] {
  const kept = from === null ? rows : rows.slice(0, from + 1);
  const last = kept.at(-1);
  const row: TapeRow = { id: (rows.at(-1)?.id ?? 0) + 1, event, state, reading: read(field, state) };
  if (event.type === 'select' && last?.event.type === 'select') return [...kept.slice(0, -1), row];
  return [...kept, row].slice(-mostRows);
}

/** The row as a line of a tape. */
export function scriptOf(event: FieldEvent): string {
  switch (event.type) {
    case 'key':
      return `type ${JSON.stringify(event.text)}`;
    case 'insert':
    case 'paste':
    case 'autofill':
    case 'set':
      return `${event.type} ${JSON.stringify(event.text)}`;
    case 'select':
      return event.start === event.end ? `caret ${event.start}` : `select ${event.start} ${event.end}`;
    default:
      return event.type;
  }
}

/** The tape as text that plays again, keys in a row as one `type`, the end as expectations. */
export function tapeText(title: string, fieldId: string, rows: readonly TapeRow[]): string {
  const lines = [`tape ${JSON.stringify(title)}`, `field ${fieldId}`];
  let typed = '';
  const flush = () => {
    if (typed) lines.push(`type ${JSON.stringify(typed)}`);
    typed = '';
  };
  for (const { event } of rows) {
    if (event.type === 'key') typed += event.text;
    else {
      flush();
      lines.push(scriptOf(event));
    }
  }
  flush();
  const last = rows.at(-1);
  if (last) {
    const { display, raw, value, shown } = last.reading;
    lines.push(`expect display ${JSON.stringify(display.replaceAll('|', '\\|'))}`);
    lines.push(`expect raw ${JSON.stringify(raw)}`);
    lines.push(`expect value ${value === null ? 'null' : JSON.stringify(value)}`);
    lines.push(`expect codes ${shown.map(({ code }) => code).join(' ') || 'none'}`);
  }
  return `${lines.join('\n')}\n`;
}
