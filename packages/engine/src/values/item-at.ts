/**
 * What stands at an index, or under a name, that is known to be there. Throws `RangeError` where it is not: then something else
 * is broken, and is to be found here and not far from here.
 */
export function itemAt<T>(list: ArrayLike<T>, index: number): T;
export function itemAt<T>(table: Readonly<Record<string, T>>, name: string): T;
export function itemAt<T>(from: ArrayLike<T> | Readonly<Record<string, T>>, key: number | string): T {
  // A list is a table of its indices.
  const found = (from as Readonly<Record<number | string, T>>)[key];
  if (found === undefined) throw new RangeError(`Nothing stands at ${key}.`);
  return found;
}
