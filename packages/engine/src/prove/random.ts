/**
 * Numbers that look random and are the same for the same seed, so that a finding can be repeated
 * (mulberry32).
 */
export function random(seed: number) {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
  const below = (count: number): number => Math.floor(next() * count);
  return {
    /** A whole number below `count`. */
    below,
    /** One item of a list that is not empty. */
    pick: <T>(all: readonly T[]): T => all[below(all.length)] as T,
  };
}
