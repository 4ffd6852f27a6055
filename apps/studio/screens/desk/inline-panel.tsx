'use client';

import { type ReactNode, useEffect, useRef } from 'react';
import type { Later } from '../../ui/later.tsx';
import { useLater } from '../../ui/later.tsx';

/** Things one gives a value in, in the order of the tab key. */
const controls = 'input, select, textarea, button';

/**
 * Where a part is defined: a strip between specimen and ruler that pushes the rest down, so that nothing
 * covers what one wants to watch. Its first control has the focus; Escape closes it, and the focus goes back
 * to the part.
 */
export function InlinePanel({
  label,
  needs,
  onClose,
  children,
}: {
  readonly label: string;
  /** What it holds, where that has to be fetched. */
  readonly needs: Later<unknown>;
  readonly onClose: () => void;
  readonly children: () => ReactNode;
}) {
  const { it, problem, want } = useLater(needs);
  const body = useRef<HTMLDivElement>(null);
  useEffect(want, [want]);
  const isHere = it !== undefined;
  useEffect(() => {
    if (isHere) body.current?.querySelector<HTMLElement>(controls)?.focus();
  }, [isHere]);
  return (
    <section
      aria-label={label}
      className="sticky left-0 my-2 max-w-[calc(100vw-3rem)] border-y-2 border-ink bg-wash px-4 py-3"
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || event.defaultPrevented) return;
        event.preventDefault();
        onClose();
      }}
    >
      <div ref={body} className="strip">
        {isHere && children()}
      </div>
      <p role="status" className="text-sm text-brick empty:hidden">
        {problem}
      </p>
      <p className="flex justify-end">
        <button type="button" className="word-button text-sm" onClick={onClose}>
          Done <span className="caption">Esc</span>
        </button>
      </p>
    </section>
  );
}
