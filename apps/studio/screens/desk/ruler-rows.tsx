'use client';

import type { FieldState } from '@arbeit/engine/field';
import * as words from '../../words/desk/ruler-rows.ts';

/** One line of a ruler: its name, its text, and its character per column. */
export interface RulerRow {
  readonly name: string;
  readonly text: string;
  of(column: number): string;
  /** The sample's character per column, shown faintly while nothing is typed. */
  sampleOf?(column: number): string;
}

/** Characters that are invisible get a symbol. */
export const shown = (character: string): string =>
  character === '\n' ? '↵' : /^[\s\u200e\u200f\u061c]$/.test(character) ? '⎵' : character;

/** The rows of a ruler, aligned by character, with caret and selection between the columns. */
export function RulerRows({
  rows,
  columns,
  state,
  boundary,
}: {
  readonly rows: readonly RulerRow[];
  readonly columns: readonly { readonly id: string; readonly isContent: boolean }[];
  readonly state: FieldState;
  /** The column boundary (0 is left of the first) of an offset of the display. */
  readonly boundary: (offset: number) => number;
}) {
  const from = boundary(state.start);
  const to = boundary(state.end);
  // A resting text writes the content differently, and has no caret.
  const isResting = !state.focused && columns.length > 0 && columns.every(({ isContent }) => !isContent);
  return (
    <div className="relative">
      {state.start !== state.end && (
        <div
          aria-hidden="true"
          className="absolute top-0 h-7 bg-oxide/25"
          style={{ left: `calc(${from} * var(--col))`, width: `calc(${to - from} * var(--col))` }}
        />
      )}
      {!isResting && (
        <div
          aria-hidden="true"
          data-caret
          className={`absolute top-0 h-7 w-0.5 ${state.focused ? 'bg-oxide' : 'bg-line'}`}
          style={{ left: `calc(${to} * var(--col) - 1px)` }}
        />
      )}
      {rows.map(({ name, text, of, sampleOf }) => (
        <div key={name} className="flex h-7 items-center border-b">
          {/* Read as one text; the columns are for the eye. */}
          <span className="sr-only">
            {name}: {text || words.empty}
          </span>
          <span aria-hidden="true" className="value flex">
            {columns.map(({ id, isContent }, i) => (
              <span
                key={id}
                className={`w-[var(--col)] border-l text-center ${isContent ? 'font-bold' : text === '' ? 'text-line' : 'text-faint'}`}
              >
                {shown(text === '' ? (sampleOf?.(i) ?? '') : of(i))}
              </span>
            ))}
          </span>
          <span aria-hidden="true" className="caption sticky right-0 ml-2 bg-paper px-1">
            {name}
          </span>
        </div>
      ))}
    </div>
  );
}
