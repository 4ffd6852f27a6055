import type { Verdict } from '@arbeit/engine/rules';

const inks: Readonly<Record<Verdict, string>> = {
  pass: 'text-oxide',
  open: 'text-marigold',
  fail: 'text-brick',
};

/** A verdict told by shape and word: filled, half filled, or hollow with a bar. */
export function Lamp({ verdict, bare = false }: { readonly verdict: Verdict; readonly bare?: boolean }) {
  return (
    <span className={`inline-flex items-baseline gap-1.5 ${inks[verdict]}`}>
      <svg
        width="13"
        height="13"
        viewBox="0 0 13 13"
        aria-hidden="true"
        className="shrink-0 translate-y-[0.12em]"
      >
        <rect
          x="1"
          y="1"
          width="11"
          height="11"
          fill={verdict === 'pass' ? 'currentColor' : 'none'}
          stroke="currentColor"
          strokeWidth="1.6"
        />
        {verdict === 'open' && <rect x="1" y="6.5" width="11" height="5.5" fill="currentColor" />}
        {verdict === 'fail' && <rect x="3.2" y="5.4" width="6.6" height="2.2" fill="currentColor" />}
      </svg>
      <span className={bare ? 'sr-only' : 'text-sm'}>{verdict}</span>
    </span>
  );
}
