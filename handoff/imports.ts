/** Something a module imports: its name where it comes from, and what it is called there. */
export interface Import {
  readonly from: string;
  readonly name: string;
  readonly as?: string;
}

/** From the packages, by their names. */
export const byName = { run: (from: string) => from, types: (from: string) => from };

/** Lines of imports: what comes from one place on one line. */
export function written(
  imports: readonly Import[],
  word: string,
  at: (from: string) => string,
): readonly string[] {
  const places = new Map<string, string[]>();
  for (const { from, name, as } of imports) {
    const place = at(from);
    places.set(place, [...(places.get(place) ?? []), as === undefined ? name : `${name} as ${as}`]);
  }
  return [...places].map(([place, names]) =>
    [word, '{', names.join(', '), '}', 'from', `'${place}';`].join(' '),
  );
}
