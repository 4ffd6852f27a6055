/** A caption under a span of columns, from `from` up to but not including `end`. */
export interface Captioned {
  readonly id: string;
  readonly from: number;
  readonly end: number;
  readonly text: string;
}

/** The position of a caption: the middle of its span in columns, and its row. */
export interface Placed extends Captioned {
  readonly middle: number;
  readonly row: number;
}

/** Estimated width of a caption's character, in columns of a specimen at their widest. */
const perCharacter = 0.27;

/**
 * Places captions under their spans, each in the first row in which it touches no other. Words are never cut.
 */
export function placeCaptions(captions: readonly Captioned[]): readonly Placed[] {
  const ends: number[] = [];
  return captions.map((caption) => {
    const width = Math.max(caption.text.length * perCharacter + 0.35, 0.5);
    const half = width / 2;
    // At the left edge there is no space to centre it.
    const middle = Math.max((caption.from + caption.end) / 2, half);
    let row = 0;
    while ((ends[row] ?? Number.NEGATIVE_INFINITY) > middle - half) row++;
    ends[row] = middle + half;
    return { ...caption, middle, row };
  });
}
