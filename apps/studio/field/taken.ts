import type { Field } from '@arbeit/react';
import { assumedInWords } from '../model/assumed.ts';
import { refusalInWords } from '../model/key-words.ts';

/** What happened to the last key or paste: rejected, partly taken, or read in one of several ways. */
export function takenInWords({ state }: Field): string {
  const { rejected, leftOut, body } = state;
  // The state does not tell which key it was.
  const taken = rejected
    ? `Not accepted: ${refusalInWords(rejected, { type: 'invalidate' })}. `
    : leftOut
      ? `Ignored: ${leftOut}. `
      : '';
  return taken + (body.assumed ? `Interpreted as ${assumedInWords(body.assumed)}. ` : '');
}

/** The same as data attributes, for tapes that are played on the page. */
export const takenData = ({ state }: Field) => ({
  'data-rejected': state.rejected ?? '',
  'data-left-out': state.leftOut,
});
