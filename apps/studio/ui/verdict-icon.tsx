import type { Verdict } from '@arbeit/engine/rules';
import { Mark, type Shape } from './mark.tsx';

/** A verdict, or that a rule had nothing to check. */
type Shown = Verdict | 'skipped';

const inks: Readonly<Record<Shown, string>> = {
  pass: 'text-oxide',
  open: 'text-marigold',
  fail: 'text-brick',
  skipped: 'text-faint',
};

const shapes: Readonly<Record<Shown, Shape>> = {
  pass: 'full',
  open: 'half',
  fail: 'barred',
  skipped: 'dot',
};

/** A verdict as a shape and a word: filled, half filled, hollow with a bar, or a dot. */
export function VerdictIcon({ verdict, bare = false }: { readonly verdict: Shown; readonly bare?: boolean }) {
  return (
    <span className={`inline-flex items-baseline gap-1.5 ${inks[verdict]}`}>
      <Mark shape={shapes[verdict]} />
      <span className={bare ? 'sr-only' : 'text-sm'}>{verdict}</span>
    </span>
  );
}
