const methods = ['includes', 'indexOf', 'find', 'findIndex', 'filter', 'map', 'flatMap', 'some', 'every', 'slice', 'entries', 'join', Symbol.iterator] as const; // biome-ignore format: a list

/**
 * How many members the lists have that something goes over: a measure of work that does not depend on the
 * machine.
 *
 * @example
 * const work = membersSeen(() => [1, 2, 3].map(String)); // 3
 */
export function membersSeen(run: () => void): number {
  let count = 0;
  const list = Array.prototype as unknown as Record<PropertyKey, (...rest: unknown[]) => unknown>;
  const own = new Map<PropertyKey, (...rest: unknown[]) => unknown>();
  for (const name of methods) {
    const method = list[name]!;
    own.set(name, method);
    list[name] = function (this: unknown[], ...rest) {
      count += this.length;
      return method.apply(this, rest);
    };
  }
  try {
    run();
  } finally {
    for (const [name, method] of own) list[name] = method;
  }
  return count;
}

/**
 * How work grows with a size: what its second half adds, divided by what its first half does. 2 for linear
 * work, 4 for work that grows by the square. What is done once, whatever the size, is taken out.
 *
 * @example
 * const growth = growthOf((size) => membersSeen(() => Array(size).map(String)), 500); // 2
 */
export function growthOf(work: (size: number) => number, size: number): number {
  const [one, two, four] = [size, size * 2, size * 4].map(work) as [number, number, number];
  return (four - two) / Math.max(1, two - one);
}
