import { type Captioned, placeCaptions } from './captions.ts';

/**
 * The captions of a specimen, each under its part with a thin line up to it. They are hidden from screen
 * readers, because the button of the part has the same name.
 */
export function CaptionRows({
  captions,
  open,
}: {
  readonly captions: readonly Captioned[];
  /** The caption of the part that is open. */
  readonly open: string | null;
}) {
  const placed = placeCaptions(captions);
  const rows = Math.max(1, ...placed.map(({ row }) => row + 1));
  return (
    <div aria-hidden="true" className="captions" style={{ height: `${rows * 1.15 + 0.15}rem` }}>
      {/* The lines first: where one passes a word, the word is over it. */}
      {placed
        .filter(({ row }) => row > 0)
        .map(({ id, middle, row }) => (
          <span
            key={id}
            className="absolute top-0 border-l border-line"
            style={{ left: `calc(${middle} * var(--col))`, height: `${row * 1.15}rem` }}
          />
        ))}
      {placed.map(({ id, text, middle, row }) => (
        <span
          key={id}
          data-open={id === open || undefined}
          className="absolute -translate-x-1/2 bg-paper px-0.5 data-open:font-semibold data-open:text-oxide"
          style={{ left: `calc(${middle} * var(--col))`, top: `${row * 1.15}rem` }}
        >
          {text}
        </span>
      ))}
    </div>
  );
}
