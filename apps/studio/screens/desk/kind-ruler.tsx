'use client';

import { graphemes } from '@arbeit/engine/values';
import type { Field } from '@arbeit/react';
import { type RefObject, useLayoutEffect, useRef } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import * as words from '../../words/desk/kind-ruler.ts';
import { mostBesideFacts } from './band-grid.tsx';
import { displayColumns, drawingOf, stopsOf } from './kind-columns.ts';
import { type RulerRow, RulerRows } from './ruler-rows.tsx';

/** Room at the end of a ruler for the names of its rows, in pixels. */
const namesOfRows = 80;

/** Scrolls a ruler that is longer than its place to the caret. Only its own columns move. */
function useCaretInView(isLong: boolean): RefObject<HTMLElement | null> {
  const ruler = useRef<HTMLElement>(null);
  useLayoutEffect(() => {
    const caret = isLong ? ruler.current?.querySelector<HTMLElement>('[data-caret]') : null;
    if (!ruler.current || !caret) return;
    const { scrollLeft, clientWidth } = ruler.current;
    const at = caret.offsetLeft;
    if (at < scrollLeft || at > scrollLeft + clientWidth - namesOfRows)
      ruler.current.scrollLeft = at - clientWidth / 2;
  });
  return ruler;
}

/**
 * Display and content, aligned by character: which characters are the user's, and which are symbols, group
 * separators, a trunk prefix or filled-in zeros; what is seen if the field conceals; the possible positions
 * of the caret.
 */
export function KindRuler({
  field,
  sample,
}: {
  readonly field: Field;
  /** The sample, in whose columns the ruler is drawn while nothing is typed. */
  readonly sample: string;
}) {
  const { state, evaluation, store } = field;
  const draw = drawingOf(store.field, useKinds());
  const columns = displayColumns(store.field, state, draw);
  const stops = new Set(stopsOf(store.field, state));
  const { lead, isPicked } = draw;
  const hasLead = lead !== undefined;
  const isLong = columns.length > mostBesideFacts;
  const ruler = useCaretInView(isLong);
  const empty = columns.length === 0 ? graphemes(sample) : [];
  const isConcealed = columns.some(({ character, seen }) => character !== seen);
  const rows: readonly RulerRow[] = [
    {
      name: words.display,
      text: evaluation.display,
      of: (i: number) => columns[i]?.character ?? '',
      sampleOf: (i: number) => empty[i] ?? '',
    },
    // The labels of picked options are displayed: no character was typed.
    ...(isPicked
      ? []
      : [
          {
            name: words.content,
            text: evaluation.content,
            of: (i: number) => (columns[i]?.isContent ? columns[i].character : ''),
          },
        ]),
    ...(hasLead
      ? [
          {
            name: words.inValue,
            text: evaluation.value ?? words.noneYet,
            of: (i: number) => (columns[i]?.isInValue ? columns[i].character : ''),
          },
        ]
      : []),
    ...(isConcealed
      ? [{ name: words.seen, text: words.concealed, of: (i: number) => columns[i]?.seen ?? '' }]
      : []),
  ];
  const boundary = (offset: number) => {
    const at = columns.findIndex((column) => column.offset >= offset);
    return at < 0 ? columns.length : at;
  };
  const { display } = evaluation;
  const offsets = [...columns.map(({ offset }) => offset), display.length];
  return (
    <section ref={ruler} aria-label={words.ruler} className="kind-ruler" tabIndex={isLong ? 0 : undefined}>
      <div className="relative w-max min-w-full">
        <div aria-hidden="true" className="caption relative h-5">
          {offsets.map((offset, i) =>
            Number.isInteger(offset) ? (
              <span
                key={offset}
                className={`absolute bottom-0 -translate-x-1/2 text-[0.68rem] ${offset === state.start || offset === state.end ? 'font-bold text-oxide' : stops.has(offset) ? '' : 'opacity-0'}`}
                style={{ left: `calc(${i} * var(--col))` }}
              >
                {offset}
              </span>
            ) : null,
          )}
        </div>
        <RulerRows
          rows={rows}
          columns={
            empty.length > 0
              ? empty.map((_, i) => ({ id: `sample ${i}`, isContent: false }))
              : columns.map(({ offset, isContent }) => ({ id: String(offset), isContent }))
          }
          state={state}
          boundary={boundary}
        />
      </div>
    </section>
  );
}
