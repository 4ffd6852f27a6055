import type { Verdict } from '@arbeit/engine/rules';
import { Mark, type Shape } from './mark.tsx';

const inks: Readonly<Record<Verdict, string>> = {
  pass: 'text-oxide',
  open: 'text-marigold',
  fail: 'text-brick',
};

const shapes: Readonly<Record<Verdict, Shape>> = { pass: 'full', open: 'half', fail: 'barred' };

/** A verdict as a shape and a word: filled, half filled, or hollow with a bar. */
export function VerdictIcon({
  verdict,
  bare = false,
}: {
  readonly verdict: Verdict;
  readonly bare?: boolean;
}) {
  return (
    <span className={`inline-flex items-baseline gap-1.5 ${inks[verdict]}`}>
      <Mark shape={shapes[verdict]} />
      <span className={bare ? 'sr-only' : 'text-sm'}>{verdict}</span>
    </span>
  );
}
