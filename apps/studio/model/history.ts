/** What was, is and may be again: the undo history of a definition. */
export interface History<T> {
  readonly past: readonly T[];
  readonly present: T;
  readonly future: readonly T[];
  /** What the last edit was about; one about the same joins it into one step. `null` lets none join. */
  readonly about: string | null;
}

/** More steps than anybody goes back; older ones are dropped. */
const mostSteps = 500;

export const begin = <T>(present: T): History<T> => ({ past: [], present, future: [], about: null });

/** Takes an edit in. Edits about the same thing in a row (a label being typed) are one step. */
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
