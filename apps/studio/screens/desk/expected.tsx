'use client';

import * as words from '../../words/desk/expected.ts';
import { type DeskExpectable, type Expects, expectables, expectedAt } from './expects.ts';
import type { TapeRow } from './tape-rows.ts';

/** What a trial made from this tape expects at the current row: each expectation kept or dropped. */
export function Expected({
  rows,
  row,
  expects,
  onToggle,
}: {
  readonly rows: readonly TapeRow[];
  readonly row: TapeRow;
  readonly expects: Expects;
  readonly onToggle: (row: TapeRow, what: DeskExpectable) => void;
}) {
  const expected = expectedAt(rows, row, expects);
  return (
    <fieldset className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-1 text-sm">
      <legend className="caption float-left mr-4">{words.expectAtThisRow}</legend>
      {(Object.keys(expectables) as DeskExpectable[]).map((what) => (
        <label key={what} className="inline-flex items-baseline gap-1.5">
          <input
            type="checkbox"
            className="accent-oxide"
            checked={expected.has(what)}
            onChange={() => onToggle(row, what)}
          />
          {expectables[what]}
        </label>
      ))}
    </fieldset>
  );
}
