import type { FieldEvent, FieldState } from '@arbeit/engine/field';
import type { Field } from '@arbeit/react';
import { assumedInWords } from '../model/assumed.ts';
import { refusalInWords } from '../model/key-words.ts';
import { shortened } from '../model/shortened.ts';
import * as words from '../words/field/taken.ts';

/**
 * What happened to the last key or paste: rejected, partly taken, or read in one of several ways.
 * A state does not tell which `event` it was; without it, the text does not name the key.
 */
export function takenInWords(state: FieldState, event: FieldEvent = { type: 'invalidate' }): string {
  const { rejected, leftOut, body } = state;
  const taken = rejected
    ? words.notAccepted(refusalInWords(rejected, event))
    : leftOut
      ? words.ignored(shortened(leftOut))
      : '';
  const assumed = body.assumed ? words.interpretedAs(assumedInWords(body.assumed)) : '';
  return [taken, assumed].filter(Boolean).join(' ');
}

/** The same as data attributes, for tapes that are played on the page. */
export const takenData = ({ state }: Field) => ({
  'data-rejected': state.rejected ?? '',
  'data-left-out': state.leftOut,
});
