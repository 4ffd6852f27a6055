import type { Expectable } from '@arbeit/engine/tape';
import * as words from '../../words/desk/expects.ts';
import type { TapeRow } from './tape-rows.ts';

/** Expectations by the id of their row. */
export type Expects = ReadonlyMap<number, ReadonlySet<Expectable>>;

/** What can be expected on the desk, with labels. */
export const expectables = {
  display: words.display,
  raw: words.raw,
  value: words.typedValue,
  codes: words.messageCodes,
  message: words.messageText,
  flags: words.flags,
  rejected: words.rejection,
  'left-out': words.ignoredCharacters,
} as const satisfies Partial<Record<Expectable, string>>;
export type DeskExpectable = keyof typeof expectables;

const proposed: ReadonlySet<Expectable> = new Set<Expectable>(['display', 'raw', 'value', 'codes']);

/** The expectations of a row: those that were chosen; for the last row, by default what it shows. */
export const expectedAt = (
  rows: readonly TapeRow[],
  row: TapeRow,
  expects: Expects,
): ReadonlySet<Expectable> => expects.get(row.id) ?? (row === rows.at(-1) ? proposed : new Set());
