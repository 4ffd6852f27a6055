// Texts of `screens/trials/bring-function.tsx`.

import type { ReactNode } from 'react';

export { run, runAgain, stop, stopped, testYourOwnFormatter } from '../later.ts';
export { key } from '../shared.ts';
export { eventsSoFar, notRunYetSentence } from './shared.ts';

export const restoreTheCaretByCounting = 'Restore the caret by counting letters and digits';
export const browserCaret = 'browser caret';
export const restoredCaret = 'restored caret';
export const ofEvents = (events: number, value: number) => `${events} of ${value} events…`;
export const starting = 'Starting…';
export const line = (line: number, why: string) => `Line ${line}: ${why}`;
export const noLawIsBrokenSentence = 'No law is broken.';
export const of12LawsAreBroken = (broken: number) => `${broken} of 12 laws are broken.`;
export const pasteAJavascriptFunction =
  'Paste a JavaScript function that formats typed text. It runs in a sandbox, attached to an input in two common ways, and is checked like the fields of this set.';
export const yourFormatter = 'Your formatter';
export const noBuiltInFieldKind = 'No built-in field kind matches this function.';
export const fieldInPlace = 'Field in place of a function';
export const aFieldOfKindShows = (
  name: ReactNode,
  value: ReactNode,
  value2: string,
  agreed: number,
  value3: number,
  value4: string,
) => (
  <>
    A field of kind {name} {value}
    {value2} shows the same for {agreed} of {value3} texts{value4}.
  </>
);
export const inLabel = (locale: string) => ` in ${locale}`;
export const andTheSameLetters = (near: number) => `, and the same letters and digits for ${near} more`;
export const typedTheFunctionShows = (part: ReactNode, part2: ReactNode, part3: ReactNode) => (
  <>
    Typed {part}, the function shows {part2} and the field {part3}.
  </>
);
export const addThisField = 'Add this field to the set';
export const openOnDesk = 'Open on desk';
export const eventsWithEvents = (events: string) => `${events} events`;
export const keysThatBreakLaw = (law: number, kept: string) => `Keys that break law ${law}, ${kept}`;
export const expectedWithExpectedFound = (expected: string, found: string) =>
  `Expected: ${expected}. Actual: ${found}.`;
export const theFunction = 'The function';
export const theField = 'The field';
export const nothing = 'nothing';
export const replaceTheText = 'Replace the text; the browser places the caret';
