/** What came of a developer's `shape(content)` and `value(content)`: whatever they answered, or why they answered nothing and on which line of the code (1-based). */
export type Shaped =
  | {
      readonly shown: unknown;
      /** Left out where the code has no function `value`. */
      readonly value?: unknown;
    }
  | { readonly broken: string; readonly line?: number };

/**
 * Runs a developer's `shape(content)`, a module as text. In a sandbox or, where the code is the page's own, by itself. `undefined`: it is not known
 * yet; whoever drives the field has it look again once it is. Never throws.
 */
export type RunShape = (code: string, content: string) => Shaped | undefined;

/** Shapes that may be wanted next. */
export interface Ahead {
  readonly code: string;
  readonly contents: readonly string[];
}
