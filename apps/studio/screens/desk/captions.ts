/** A caption under a stretch of columns, `from` up to but not including `end`. */
export interface Captioned {
  readonly id: string;
  readonly from: number;
  readonly end: number;
  readonly text: string;
}

/** Where a caption stands: the middle of its stretch in columns, and how many rows down. */
export interface Placed extends Captioned {
  readonly middle: number;
  readonly row: number;
}

/** How wide a character of a caption is, in columns of a specimen whose columns are as wide as they get. */
const perCharacter = 0.27;

/**
 * Puts captions under their stretches, each in the first row in which it touches no other: words are never
 * cut.
 */
export function placeCaptions(captions: readonly Captioned[]): readonly Placed[] {
  const ends: number[] = [];
  return captions.map((caption) => {
    const width = Math.max(caption.text.length * perCharacter + 0.35, 0.5);
    const half = width / 2;
    // At the left edge there is no room to be centred in.
    const middle = Math.max((caption.from + caption.end) / 2, half);
    let row = 0;
    while ((ends[row] ?? Number.NEGATIVE_INFINITY) > middle - half) row++;
    ends[row] = middle + half;
    return { ...caption, middle, row };
  });
}
