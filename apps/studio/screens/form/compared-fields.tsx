'use client';

import { type RefObject, useLayoutEffect, useState } from 'react';

/** Two fields that depend on each other, and why. */
export interface ComparedFields {
  readonly id: string;
  /** What it is drawn for: a rule or condition of `to`, see `linkOf`. */
  readonly of: string;
  readonly from: string;
  readonly to: string;
  /** A rule that reads both, or a condition: the second is active only if the first has a value. */
  readonly by: 'rule' | 'condition';
  readonly verdict: 'pass' | 'open' | 'fail';
}

interface Path {
  readonly link: ComparedFields;
  readonly d: string;
}

/** The name of the lines of a rule, or of the condition (`when`), of a field. */
export const linkOf = (field: string, rule: string): string => `${field} ${rule}`;

const inks = { pass: 'text-oxide', open: 'text-marigold', fail: 'text-brick' } as const;

/** Lines between dependent fields, drawn inside an element that contains them all. */
export function AllComparedFields({
  inside,
  links,
  pointed,
}: {
  readonly inside: RefObject<HTMLElement | null>;
  readonly links: readonly ComparedFields[];
  /** The rule or condition that is pointed at or in use, whose lines are drawn bold. */
  readonly pointed: string | null;
}) {
  const [paths, setPaths] = useState<readonly Path[]>([]);
  useLayoutEffect(() => {
    const root = inside.current;
    if (!root) return;
    const measure = () => {
      const base = root.getBoundingClientRect();
      const boxOf = (id: string) => {
        const field = root.querySelector(`[data-field="${CSS.escape(id)}"]`);
        const box = field?.getBoundingClientRect();
        return box && { left: box.left - base.left, right: box.right - base.left, top: box.top - base.top };
      };
      const next = links.flatMap((link, i): Path[] => {
        const from = boxOf(link.from);
        const to = boxOf(link.to);
        if (!from || !to) return [];
        // At the height of the labels; several lines beside each other are shifted.
        const shift = (i % 4) * 4;
        const [y, toY] = [from.top + 12 + shift, to.top + 12 + shift];
        if (Math.abs(y - toY) < 8) {
          const [a, b] = from.left < to.left ? [from.right, to.left] : [to.right, from.left];
          return [{ link, d: `M ${a + 3} ${y} H ${b - 3}` }];
        }
        const gutter = Math.min(from.left, to.left) - 10 - shift;
        return [{ link, d: `M ${from.left - 4} ${y} H ${gutter} V ${toY} H ${to.left - 4}` }];
      });
      setPaths((had) => (JSON.stringify(had) === JSON.stringify(next) ? had : next));
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(root);
    for (const field of root.querySelectorAll('[data-field]')) observer.observe(field);
    return () => observer.disconnect();
  }, [inside, links]);
  return (
    <svg aria-hidden="true" className="pointer-events-none absolute inset-0 h-full w-full overflow-visible">
      {paths.map(({ link, d }) => (
        <path
          key={link.id}
          d={d}
          fill="none"
          stroke="currentColor"
          strokeWidth={link.of === pointed ? 4 : 1.5}
          data-pointed={link.of === pointed || undefined}
          strokeDasharray={link.by === 'condition' ? '3 3' : undefined}
          className={inks[link.verdict]}
        />
      ))}
    </svg>
  );
}
