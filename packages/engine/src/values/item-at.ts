/**
 * The item at an index or the value of a name that is known to exist. Throws `RangeError` otherwise, so that
 * a bug shows where it is.
 */
export function itemAt<T>(list: ArrayLike<T>, index: number): T;
export function itemAt<T>(table: Readonly<Record<string, T>>, name: string): T;
export function itemAt<T>(from: ArrayLike<T> | Readonly<Record<string, T>>, key: number | string): T {
  // A list is a table of its indices.
  const found = (from as Readonly<Record<number | string, T>>)[key];
  if (found === undefined) throw new RangeError(`No item at ${key}.`);
  return found;
}
