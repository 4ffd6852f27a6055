/**
 * The result of a developer's `shape(content)` and `value(content)`: their answers, or the reason and the
 * line (1-based) of a failure.
 */
export type Shaped =
  | {
      readonly shown: unknown;
      /** Absent if the code has no function `value`. */
      readonly value?: unknown;
    }
  | { readonly broken: string; readonly line?: number };

/**
 * Runs `shape(content)` of a module given as text. Returns `undefined` if the result is not known yet;
 * whoever drives the field dispatches `invalidate` once it is. Never throws.
 */
export type RunShape = (code: string, content: string) => Shaped | undefined;

/** Contents that may have to be formatted next. */
export interface Ahead {
  readonly code: string;
  readonly contents: readonly string[];
}
