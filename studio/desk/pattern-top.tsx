'use client';

import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import type { FieldState } from '@arbeit/engine/field';
import type { PatternBody, PatternPlan } from '@arbeit/engine/kinds/pattern';
import { parseNotation, sampleCells } from '@arbeit/engine/kinds/pattern';
import { useCallback, useMemo } from 'react';
import { columnsOf } from './columns.ts';
import { PatternLine } from './pattern-line.tsx';
import { Ruler } from './ruler.tsx';
import { Specimen } from './specimen.tsx';

type Change = (edit: (field: FieldDocument) => FieldDocument, about?: string) => void;

/** What the top of the desk needs of a field defined by pattern, worked out once a definition. */
export function usePattern(
  definition: FieldDocument<'pattern'>,
  plan: PatternPlan,
  classes: SetDocument['classes'],
  change: Change,
) {
  const { pattern } = definition.entry;
  const classNames = useMemo(() => Object.keys(classes ?? {}), [classes]);
  const notation = useMemo(() => parseNotation(pattern, classNames), [pattern, classNames]);
  const { columns, spans } = useMemo(
    () => columnsOf(notation.nodes, plan, sampleCells(plan)),
    [notation, plan],
  );
  const setPattern = useCallback(
    (next: string, about?: string) => {
      if (parseNotation(next, classNames).faults.length > 0) return;
      change((f) => ({ ...f, entry: { ...f.entry, pattern: next } }) as FieldDocument, about);
    },
    [change, classNames],
  );
  return { pattern, classNames, notation, columns, spans, setPattern };
}

/** Specimen and ruler of a pattern, on one grid of columns. */
export function PatternTop({
  top,
  plan,
  state,
}: {
  readonly top: ReturnType<typeof usePattern>;
  readonly plan: PatternPlan;
  readonly state: FieldState;
}) {
  const { notation, columns, spans, classNames, setPattern } = top;
  return (
    <div className="overflow-x-auto pt-4 [--col:1.75rem]" tabIndex={columns.length > 24 ? 0 : undefined}>
      <div className="w-max min-w-full pl-1.5">
        <Specimen
          notation={notation}
          columns={columns}
          spans={spans}
          classes={classNames}
          onChange={setPattern}
        />
        <Ruler plan={plan} state={state as FieldState<PatternBody>} columns={columns} />
      </div>
    </div>
  );
}

export function PatternText({
  top,
  id,
}: {
  readonly top: ReturnType<typeof usePattern>;
  readonly id: string;
}) {
  const { pattern, notation, classNames, setPattern } = top;
  return (
    <PatternLine
      key={id}
      name={id}
      pattern={pattern}
      notation={notation}
      classes={classNames}
      onChange={setPattern}
    />
  );
}
