/**
 * Makes a value once. With a pure annotation in front of the call, a bundler drops the value if nobody uses
 * it, whatever it is made of: of an object with a spread it does not know that.
 *
 * @example
 * const both = made(() => ({ ...{ a: 1 }, b: 2 }));
 */
export const made = <T>(make: () => T): T => make();
