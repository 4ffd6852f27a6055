import type { Action } from '../tape/script.ts';

/**
 * Shorter tapes that could do as well: without one action, or with a shorter text. A tape that begins with a
 * readable text keeps one.
 */
function* shorter(actions: readonly Action[]): Generator<readonly Action[]> {
  for (const i of actions.keys()) yield actions.toSpliced(i, 1);
  for (const [i, action] of actions.entries()) {
    if ('times' in action && action.times > 1) yield actions.with(i, { ...action, times: 1 });
    if (!('text' in action)) continue;
    const characters = [...action.text];
    for (const kept of [Math.ceil(characters.length / 2), characters.length - 1])
      if (kept > 0 && kept < characters.length)
        yield actions.with(i, { ...action, text: characters.slice(0, kept).join('') });
    if (characters.length > 1) yield actions.with(i, { ...action, text: characters.slice(1).join('') });
  }
}

const mostTries = 2000;

/**
 * Returns the shortest tape that still shows what was found. `ends` returns the index of the action that
 * shows it, or `undefined`.
 */
export function shortest(
  found: readonly Action[],
  ends: (actions: readonly Action[]) => number | undefined,
): readonly Action[] {
  let best = found;
  let tries = 0;
  for (let isShorter = true; isShorter; ) {
    isShorter = false;
    for (const one of shorter(best)) {
      if (++tries > mostTries) return best;
      const at = ends(one);
      if (at === undefined) continue;
      best = one.slice(0, at + 1);
      isShorter = true;
      break;
    }
  }
  return best;
}
