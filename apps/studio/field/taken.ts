import type { Field } from '@arbeit/react';
import { assumedInWords } from '../model/assumed.ts';
import { refusalInWords } from '../model/key-words.ts';
import * as words from '../words/field/taken.ts';

/** What happened to the last key or paste: rejected, partly taken, or read in one of several ways. */
export function takenInWords({ state }: Field): string {
  const { rejected, leftOut, body } = state;
  // The state does not tell which key it was.
  const taken = rejected
    ? words.notAccepted(refusalInWords(rejected, { type: 'invalidate' }))
    : leftOut
      ? words.ignored(leftOut)
      : '';
  const assumed = body.assumed ? words.interpretedAs(assumedInWords(body.assumed)) : '';
  return [taken, assumed].filter(Boolean).join(' ');
}

/** The same as data attributes, for tapes that are played on the page. */
export const takenData = ({ state }: Field) => ({
  'data-rejected': state.rejected ?? '',
  'data-left-out': state.leftOut,
});
