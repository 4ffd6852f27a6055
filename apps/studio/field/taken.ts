import type { Field } from '@arbeit/react';
import { assumedInWords } from '../model/assumed.ts';
import { refusalInWords } from '../model/key-words.ts';

/**
 * What became of the last thing that was typed or pasted: not taken, taken in part, read one way of several.
 */
export function takenInWords({ state }: Field): string {
  const { rejected, leftOut, body } = state;
  // Which key it was is not in the state.
  const taken = rejected
    ? `Not taken: ${refusalInWords(rejected, { type: 'look' })}. `
    : leftOut
      ? `Left out: ${leftOut}. `
      : '';
  return taken + (body.assumed ? `Read as ${assumedInWords(body.assumed)}. ` : '');
}

/** The same for whoever watches the page: tapes that are played on it. */
export const takenData = ({ state }: Field) => ({
  'data-rejected': state.rejected ?? '',
  'data-left-out': state.leftOut,
});
