'use client';

import { type KeyboardEvent, type RefObject, useCallback, useEffect, useRef } from 'react';
import { useAtFirstUse } from './first-use.ts';
import { later, useLater } from './later.tsx';

/** What drags is fetched when somebody begins to use the page. */
const sorting = later(() => import('./sorting.ts').then((own) => own.sortable));

/**
 * A list whose items can be put in another order: dragged by their handle, or moved by its arrow keys. `ids`
 * are the items in their order; each is an element with `data-sort`, its handle one with `data-handle`.
 */
export function useSorting(
  list: RefObject<HTMLElement | null>,
  ids: readonly string[],
  onMove: (id: string, to: number) => void,
) {
  useAtFirstUse(sorting);
  const { it: sortable, want } = useLater(sorting);
  const move = useRef(onMove);
  move.current = onMove;
  const order = ids.join('\n');
  useEffect(() => {
    const begin = () => want();
    const events = ['pointerover', 'focusin', 'touchstart'] as const;
    for (const type of events) list.current?.addEventListener(type, begin, { once: true, passive: true });
  }, [list, want]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another order is another list to drag in
  useEffect(() => {
    if (!sortable || !list.current) return;
    return sortable(list.current, (id, to) => move.current(id, to));
  }, [sortable, list, order]);
  const latest = useRef(ids);
  latest.current = ids;
  /** For the handle of an item: the arrow keys move it at once. */
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
