'use client';

import { type CSSProperties, type ReactNode, useCallback, useRef, useState } from 'react';

/** A grid for specimen and ruler, with columns as wide as fits. */
export function BandGrid({ columns, children }: { readonly columns: number; readonly children: ReactNode }) {
  const style = { '--columns': Math.max(12, columns + 2) } as CSSProperties;
  return (
    <div className="desk-grid" style={style} tabIndex={columns > 30 ? 0 : undefined}>
      <div className="w-max min-w-full">{children}</div>
    </div>
  );
}

/** The part that is open. Closing it returns the focus to the part's button. */
export function useOpenPart() {
  const [open, setOpen] = useState<string | null>(null);
  const buttons = useRef<HTMLDivElement>(null);
  const close = useCallback(() => {
    setOpen((part) => {
      const button =
        part === null ? null : buttons.current?.querySelector<HTMLElement>(`[data-part="${part}"]`);
      // If the part was removed, its neighbour gets the focus.
      (button ?? buttons.current?.querySelector<HTMLElement>('[data-part]'))?.focus();
      return null;
    });
  }, []);
  return { open, setOpen, close, buttons };
}
