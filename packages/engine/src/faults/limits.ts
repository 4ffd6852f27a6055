/**
 * The most a document may hold of each thing: far beyond what anybody fills in, near enough that reading one
 * slows nobody. Texts are counted in characters (code points), as JSON Schema counts them.
 */
export const most = {
  /** Of any list where nothing else is said: fields, forms, trials, choices, values. */
  items: 10_000,
  /** Of any text where nothing else is said. */
  characters: 10_000,
  id: 100,
  code: 20_000,
  tape: 100_000,
  /** Rules of one field or form. */
  rules: 1_000,
  /** Conditions in one list. */
  conditions: 1_000,
  /** Other fields that own code or a server is told of. */
  with: 100,
  classes: 200,
  languages: 200,
  /** Texts in one language. */
  texts: 100_000,
} as const;

/** More faults than this nobody mends at a time; the rest is counted. */
export const mostFaults = 50;
