'use client';

import type { FieldState } from '@arbeit/engine/field';
import type { PatternBody, PatternPlan } from '@arbeit/engine/kinds/pattern';
import { inRaw as inRawText, partOf, rawOf } from '@arbeit/engine/kinds/pattern';
import * as words from '../../words/desk/ruler.ts';
import { boundaryFor, type Column, place, type Standing, shortFor } from './columns.ts';
import { type RulerRow, RulerRows, shown } from './ruler-rows.tsx';

/**
 * Pattern, display, content and raw, aligned by character, each character under the part it fills; the caret
 * and its possible positions are drawn between the columns.
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
  const { last, complete, display } = state.body;
  const rawEnd = complete ? display.length : (state.body.at[last] ?? 0);
  /** In fixed positions an empty cell before the last character is a space in raw. */
  const inRaw = (standing: Standing | null, column: Column): string => {
    if (!standing || standing.content) return standing?.character ?? '';
    if (column.is === 'cell') return column.cell < state.body.last ? ' ' : '';
    return standing.offset < rawEnd ? inRawText(plan, standing.character) : '';
  };
  const at = (i: number): Standing | null => placed[i] ?? null;
  const rows: readonly RulerRow[] = [
    {
      name: words.display,
      text: state.body.display,
      of: (i) => at(i)?.character ?? '',
      sampleOf: (i) => columns[i]!.character,
    },
    { name: words.content, text: state.body.content, of: (i) => (at(i)?.content ? at(i)!.character : '') },
    { name: words.raw, text: raw, of: (i) => inRaw(at(i), columns[i]!) },
  ];
  return (
    <section aria-label={words.ruler} className="relative">
      <div aria-hidden="true" className="flex h-6 items-center border-b">
        {columns.map((column) => (
          <span
            key={column.id}
            className="value w-[var(--col)] border-l text-center text-[0.62rem] text-faint"
          >
            {column.is === 'fixed' ? shown(column.character) : shortFor(partOf(plan, column.cell))}
          </span>
        ))}
        <span className="caption sticky right-0 ml-2 bg-paper px-1">{words.patternInText}</span>
      </div>
      <Stops placed={placed} count={columns.length} state={state} />
      <RulerRows
        rows={rows}
        columns={columns.map(({ id }, i) => ({ id, isContent: placed[i]?.content ?? false }))}
        state={state}
        boundary={(offset) => boundaryFor(offset, placed)}
      />
    </section>
  );
}

/** The possible offsets of the caret, as numbers over the boundaries between columns. */
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
