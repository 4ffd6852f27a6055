'use client';

import { partOf } from '../../engine/run/cells.ts';
import { type PatternBody, rawOf } from '../../engine/run/layout.ts';
import type { PatternPlan } from '../../engine/run/plan.ts';
import type { FieldState } from '../../engine/run/state.ts';
import { boundaryFor, type Column, place, type Standing, shortFor } from './columns.ts';

/**
 * Pattern, display, content and raw, character under character, each under the part it fills; the caret and the
 * places it can stand drawn between the columns.
 */
export function Ruler({
  plan,
  state,
  columns,
}: {
  readonly plan: PatternPlan;
  readonly state: FieldState<PatternBody>;
  readonly columns: readonly Column[];
}) {
  const placed = place(plan, state.body, columns);
  const raw = rawOf(plan, state.body);
  const { last, at, complete, display } = state.body;
  const rawEnd = complete ? display.length : (at[last] ?? 0);
  /** In fixed positions a blank before the last character is a space in raw. */
  const inRaw = (standing: Standing | null, column: Column): string => {
    if (!standing || standing.content) return standing?.character ?? '';
    if (column.is === 'cell') return column.cell < state.body.last ? ' ' : '';
    return plan.raw === 'text' && standing.offset < rawEnd ? standing.character : '';
  };
  const rows: readonly {
    name: string;
    text: string;
    of: (standing: Standing | null, column: Column) => string;
  }[] = [
    { name: 'display', text: state.body.display, of: (s) => s?.character ?? '' },
    { name: 'content', text: state.body.content, of: (s) => (s?.content ? s.character : '') },
    { name: 'raw', text: raw, of: inRaw },
  ];
  const from = boundaryFor(state.start, placed);
  const to = boundaryFor(state.end, placed);
  return (
    <section aria-label="Ruler" className="relative">
      <div aria-hidden="true" className="flex h-6 items-center border-b">
        {columns.map((column) => (
          <span
            key={column.id}
            className="value w-[var(--col)] border-l text-center text-[0.62rem] text-faint"
          >
            {column.is === 'fixed' ? shown(column.character) : shortFor(partOf(plan, column.cell))}
          </span>
        ))}
        <span className="caption sticky right-0 ml-2 bg-paper px-1">pattern</span>
      </div>
      <Stops placed={placed} count={columns.length} state={state} />
      <div className="relative">
        {state.start !== state.end && (
          <div
            aria-hidden="true"
            className="absolute top-0 h-7 bg-oxide/25"
            style={{ left: `calc(${from} * var(--col))`, width: `calc(${to - from} * var(--col))` }}
          />
        )}
        <div
          aria-hidden="true"
          className={`absolute top-0 h-7 w-0.5 ${state.focused ? 'bg-oxide' : 'bg-line'}`}
          style={{ left: `calc(${state.start === state.end ? from : to} * var(--col) - 1px)` }}
        />
        {rows.map(({ name, text, of }) => (
          <div key={name} className="flex h-7 items-center border-b">
            {/* Read as one text; the columns are for the eye. */}
            <span className="sr-only">
              {name}: {text || 'empty'}
            </span>
            <span aria-hidden="true" className="value flex">
              {columns.map((column, i) => (
                <span
                  key={column.id}
                  className={`w-[var(--col)] border-l text-center ${placed[i]?.content ? 'font-bold' : 'text-faint'}`}
                >
                  {shown(of(placed[i] ?? null, column))}
                </span>
              ))}
            </span>
            <span aria-hidden="true" className="caption sticky right-0 ml-2 bg-paper px-1">
              {name}
            </span>
          </div>
        ))}
      </div>
    </section>
  );
}

const shown = (character: string): string => (character === ' ' || character === '\u00a0' ? '⎵' : character);

/** The offsets at which the caret can stand, numbered over the boundaries between the columns. */
function Stops({
  placed,
  count,
  state,
}: {
  readonly placed: readonly (Standing | null)[];
  readonly count: number;
  readonly state: FieldState<PatternBody>;
}) {
  const stops = new Map<number, number>();
  const offsets = [...placed.flatMap((s) => (s ? [s.offset] : [])), state.body.display.length];
  for (const offset of offsets) stops.set(boundaryFor(offset, placed), offset);
  return (
    <div aria-hidden="true" className="caption relative h-5" style={{ width: `calc(${count} * var(--col))` }}>
      {[...stops].map(([boundary, offset]) => (
        <span
          key={boundary}
          className={`absolute bottom-0 -translate-x-1/2 border-line text-[0.68rem] ${offset === state.start || offset === state.end ? 'font-bold text-oxide' : ''}`}
          style={{ left: `calc(${boundary} * var(--col))` }}
        >
          {offset}
        </span>
      ))}
    </div>
  );
}
