/** The undo history of a definition. */
export interface History<T> {
  readonly past: readonly T[];
  readonly present: T;
  readonly future: readonly T[];
  /**
   * What the last edit was about. An edit about the same becomes part of the same step; `null` always starts
   * a new one.
   */
  readonly about: string | null;
}

/** Largest number of steps; older ones are dropped. */
const mostSteps = 500;

export const begin = <T>(present: T): History<T> => ({ past: [], present, future: [], about: null });

/** Adds an edit. Consecutive edits about the same thing (a label being typed) are one step. */
export function record<T>(history: History<T>, next: T, about: string | null): History<T> {
  if (next === history.present) return history;
  const joins = about !== null && about === history.about && history.past.length > 0;
  const past = joins ? history.past : [...history.past, history.present].slice(-mostSteps);
  return { past, present: next, future: [], about };
}

export function undo<T>(history: History<T>): History<T> {
  const before = history.past.at(-1);
  if (before === undefined) return history;
  return {
    past: history.past.slice(0, -1),
    present: before,
    future: [history.present, ...history.future],
    about: null,
  };
}

export function redo<T>(history: History<T>): History<T> {
  const [next, ...rest] = history.future;
  if (next === undefined) return history;
  return { past: [...history.past, history.present], present: next, future: rest, about: null };
}
