import { type Captioned, placeCaptions } from './captions.ts';

/** The captions of a specimen, each under its part with a fine line up to it; for the eye, its button says the same. */
export function CaptionRows({
  captions,
  open,
}: {
  readonly captions: readonly Captioned[];
  /** The one whose part is being defined. */
  readonly open: string | null;
}) {
  const placed = placeCaptions(captions);
  const rows = Math.max(1, ...placed.map(({ row }) => row + 1));
  return (
    <div aria-hidden="true" className="captions" style={{ height: `${rows * 1.15 + 0.15}rem` }}>
      {placed.map(({ id, text, middle, row }) => (
        <span
          key={id}
          data-open={id === open || undefined}
          className="absolute top-0 -translate-x-1/2 data-open:font-semibold data-open:text-oxide"
          style={{ left: `calc(${middle} * var(--col))` }}
        >
          {row > 0 && (
            <span
              className="absolute top-0 left-1/2 border-l border-line"
              style={{ height: `${row * 1.15}rem` }}
            />
          )}
          <span className="relative z-10 block bg-paper px-0.5" style={{ marginTop: `${row * 1.15}rem` }}>
            {text}
          </span>
        </span>
      ))}
    </div>
  );
}
