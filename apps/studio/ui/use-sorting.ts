'use client';

import { type KeyboardEvent, type RefObject, useCallback, useEffect, useRef } from 'react';
import { useAtFirstUse } from './first-use.ts';
import { type Later, later, useLater } from './later.tsx';

/** Code that makes elements movable. It is loaded on the first interaction with the page. */
type Sorter = (
  list: HTMLElement,
  onMove: (id: string, to: number) => void,
  indexOf: (id: string) => number,
) => () => void;

const sorting = later(() => import('./sorting.ts').then((own): Sorter => own.sortable));

/**
 * A sortable list: items are dragged by their handle, or moved with the arrow keys on it. `ids` are the items
 * in order; each is an element with `data-sort`, its handle one with `data-handle`. `sorter` must be the same
 * on every render.
 */
export function useSorting(
  list: RefObject<HTMLElement | null>,
  ids: readonly string[],
  onMove: (id: string, to: number) => void,
  sorter: Later<Sorter> = sorting,
) {
  useAtFirstUse(sorter);
  const { it: sortable, want } = useLater(sorter);
  const move = useRef(onMove);
  move.current = onMove;
  const order = ids.join('\n');
  useEffect(() => {
    const begin = () => want();
    const events = ['pointerover', 'focusin', 'touchstart'] as const;
    for (const type of events) list.current?.addEventListener(type, begin, { once: true, passive: true });
  }, [list, want]);
  const latest = useRef(ids);
  latest.current = ids;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another order is another list to drag in
  useEffect(() => {
    if (!sortable || !list.current) return;
    return sortable(
      list.current,
      (id, to) => move.current(id, to),
      (id) => latest.current.indexOf(id),
    );
  }, [sortable, list, order]);
  /** For the handle of an item: the arrow keys move it immediately. */
  return useCallback(
    (event: KeyboardEvent, id: string) => {
      const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
      if (by === 0 || list.current?.dataset.sorting !== undefined) return;
      event.preventDefault();
      move.current(id, latest.current.indexOf(id) + by);
    },
    [list],
  );
}
