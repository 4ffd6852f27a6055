/** Something a module imports: its name in its source, and its local name. */
export interface Import {
  readonly from: string;
  readonly name: string;
  readonly as?: string;
}

/** Imports from the packages by their names. */
export const byName = { run: (from: string) => from, types: (from: string) => from };

/** Import lines: names from one source on one line. */
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

/** One line that imports names, or re-exports them. */
export const listed = (word: string, names: readonly string[], place: string): string =>
  [word, '{', names.join(', '), '}', 'from', `'${place}';`].join(' ');

/**
 * Imports everything of a source under one name, so that no name of a set collides with one of the module.
 */
export const allOf = (place: string): string => ['import', '*', 'as', 'all', 'from', `'${place}';`].join(' ');
