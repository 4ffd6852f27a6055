'use client';

import { type RefObject, useLayoutEffect, useState } from 'react';

interface Line {
  readonly from: readonly [x: number, y: number];
  readonly to: readonly [x: number, y: number];
}

/** A thin line from the message to the note of its rule, inside an element that contains both. */
export function Connector({
  inside,
  rule,
}: {
  readonly inside: RefObject<HTMLElement | null>;
  /** The rule whose message is shown; `undefined` if none is. */
  readonly rule: string | undefined;
}) {
  const [line, setLine] = useState<Line | null>(null);
  useLayoutEffect(() => {
    const root = inside.current;
    const measure = () => {
      const message = root?.querySelector('[data-tie="message"]')?.getBoundingClientRect();
      const note = root?.querySelector('[data-tie="note"]')?.getBoundingClientRect();
      // On a phone, where they are below each other, no line is needed.
      if (!root || !rule || !message || !note || note.left < message.right) {
        setLine(null);
        return;
      }
      const { left, top } = root.getBoundingClientRect();
      setLine({
        from: [message.right - left, message.top - top + 13],
        to: [note.left - left, note.top - top + note.height / 2],
      });
    };
    measure();
    const observer = new ResizeObserver(measure);
    if (root) for (const part of [root, ...root.querySelectorAll('[data-tie]')]) observer.observe(part);
    return () => observer.disconnect();
  }, [inside, rule]);
  if (!line) return null;
  const [x, y] = line.from;
  const [toX, toY] = line.to;
  const bend = toX - 12;
  return (
    <svg aria-hidden="true" className="pointer-events-none absolute inset-0 h-full w-full overflow-visible">
      <path
        d={`M ${x} ${y} H ${bend} V ${toY} H ${toX}`}
        fill="none"
        stroke="currentColor"
        strokeWidth="1"
        className="text-line"
      />
    </svg>
  );
}
