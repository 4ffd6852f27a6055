import type { Action } from '../tape/script.ts';

/**
 * Shorter tapes that could do as well: an action less, the end of a text less. What was thought of as a whole
 * stays one that can be read.
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
 * A tape as short as it gets while `ends` still says where it comes to what it was found for: the index of
 * that action; `undefined`: not any more.
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
