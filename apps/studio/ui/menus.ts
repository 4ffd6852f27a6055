import { useEffect, useRef } from 'react';
import type { MenuItem } from './pop-out-props.ts';

/** A menu of the page, by the accessible name of its button. */
interface ListedMenu {
  readonly label: string;
  items(): readonly MenuItem[];
}

/** The menus of the page, so that the palette reaches their items. */
export const menus = new Set<ListedMenu>();

/** Lists a menu while its button is on the page. Its items are made only when the palette opens. */
export function useListedMenu(label: string, items: () => readonly MenuItem[]): void {
  const latest = useRef(items);
  latest.current = items;
  useEffect(() => {
    const own = { label, items: () => latest.current() };
    menus.add(own);
    return () => {
      menus.delete(own);
    };
  }, [label]);
}
