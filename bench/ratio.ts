/** A measurement: how much dearer (above 1) or cheaper the one is than the other, both taken in one run. */
export interface Measured {
  readonly what: string;
  /** Median over the rounds of time(one) / time(other). */
  readonly ratio: number;
  /** The most it may be; `null` where it is only reported. */
  readonly limit: number | null;
}

/** Median of the ratios of many short rounds, the two taking turns so that both meet the same machine. */
export function medianRatio(
  what: string,
  limit: number | null,
  one: () => void,
  other: () => void,
): Measured {
  const times = (work: () => void, count: number): number => {
    const from = performance.now();
    for (let i = 0; i < count; i++) work();
    return performance.now() - from;
  };
  let count = 1;
  while (times(other, count) < 4) count *= 2;
  times(one, count);
  times(other, count);
  const ratios: number[] = [];
  for (let round = 0; round < 101; round++) {
    const [a, b] =
      round % 2
        ? [times(one, count), times(other, count)]
        : [times(other, count), times(one, count)].reverse();
    ratios.push(a! / b!);
  }
  ratios.sort((a, b) => a - b);
  return { what, limit, ratio: ratios[50]! };
}
