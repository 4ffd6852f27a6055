'use client';

import { type CSSProperties, type ReactNode, useCallback, useRef, useState } from 'react';

/** Longest text, in characters, that leaves room for the facts beside the ruler. */
export const mostBesideFacts = 42;

/**
 * A grid for specimen and ruler, with columns as wide as fits. Where the specimen leaves room, the facts are
 * beside the ruler. The specimen decides, not the typed text, so that nothing moves while somebody types.
 */
export function BandGrid({
  columns,
  specimen = columns,
  children,
}: {
  readonly columns: number;
  /** Length of the specimen, in columns. */
  readonly specimen?: number;
  readonly children: ReactNode;
}) {
  const style = { '--columns': Math.max(12, columns + 2) } as CSSProperties;
  const isRoomy = specimen <= mostBesideFacts;
  return (
    <div
      className="desk-grid"
      data-roomy={isRoomy || undefined}
      style={style}
      tabIndex={columns > 30 ? 0 : undefined}
    >
      <div className="desk-columns">{children}</div>
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
