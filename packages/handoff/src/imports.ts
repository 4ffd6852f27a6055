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
  return [...places].map(([place, names]) => listed(word, names, place));
}

/** One line that imports names, or hands them on. */
export const listed = (word: string, names: readonly string[], place: string): string =>
  [word, '{', names.join(', '), '}', 'from', `'${place}';`].join(' ');

/** Everything of a place under one name, so that no name of a set meets one of the module’s own. */
export const allOf = (place: string): string => ['import', '*', 'as', 'all', 'from', `'${place}';`].join(' ');
