/**
 * Makes a value once. With a pure annotation before the call, a bundler removes the value if it is not used.
 * It cannot do so with a plain object that contains a spread.
 *
 * @example
 * const both = made(() => ({ ...{ a: 1 }, b: 2 }));
 */
export const made = <T>(make: () => T): T => make();
