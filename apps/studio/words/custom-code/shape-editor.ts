// Texts of `field/custom-code/shape-editor.tsx`.

import { plural } from '../plural.ts';

export { notSaved } from './shared.ts';

export const theCharactersTheUser = 'the characters the user has typed, in order';
export const returnsTheText = 'returns the text to show';
export const returnsTheValue = 'returns the value, or null';
export const codeOfTheFormat = 'Code of the custom format';
export const shownUnformatted = (line: number | undefined, problem: string) =>
  `${line === undefined ? '' : `Line ${line}: `}${problem} The text is shown unformatted.`;
export const displayKeyByKey = 'Display, key by key';
export const checkingLaws = 'Checking laws…';
export const noProblemsFoundInRandom = (events: string) => `No problems found in ${events} random events.`;
export const problemsFound = (found: number) =>
  `${plural(found, 'Problem found: 1 law is', `Problems found: ${found} laws are`)} broken.`;
export const lawsThatAreBroken = 'Laws that are broken';
export const expected = (expected: string, was: string) => `Expected: ${expected}. Actual: ${was}.`;
