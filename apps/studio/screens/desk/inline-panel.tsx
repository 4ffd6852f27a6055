'use client';

import { type ReactNode, useEffect, useRef } from 'react';
import type { Later } from '../../ui/later.tsx';
import { useLater } from '../../ui/later.tsx';
import * as words from '../../words/desk/inline-panel.ts';

/** Elements that take a value, in tab order. */
const controls = 'input, select, textarea, button';

/**
 * The panel in which a part is defined, between specimen and ruler. It moves the rest down, so that nothing
 * is covered. Its first control gets the focus; Escape closes it and returns the focus to the part.
 */
export function InlinePanel({
  label,
  needs,
  onClose,
  children,
}: {
  readonly label: string;
  /** What its content needs loaded. */
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
          {words.done} <span className="caption">{words.esc}</span>
        </button>
      </p>
    </section>
  );
}
