/**
 * Limits on the size of a document: far beyond what anybody needs, small enough that reading stays fast.
 * Texts are counted in characters (code points), as in JSON Schema.
 */
export const most = {
  /** Items of any list without a limit of its own: fields, forms, trials, choices, values. */
  items: 10_000,
  /** Characters of any text without a limit of its own. */
  characters: 10_000,
  id: 100,
  code: 20_000,
  tape: 100_000,
  /** Rules of one field or form. */
  rules: 1_000,
  /** Conditions in one list. */
  conditions: 1_000,
  /** Other fields whose values custom code or a server receives. */
  with: 100,
  classes: 200,
  languages: 200,
  /** Texts in one language. */
  texts: 100_000,
} as const;

/** Most faults reported one by one; the rest is counted. */
export const mostFaults = 50;
