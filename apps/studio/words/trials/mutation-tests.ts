// Texts of `screens/trials/mutation-tests.tsx`.

import { plural } from '../plural.ts';

export { mutationTests, runAgain, runMutationTests, stop } from '../later.ts';
export { notRunYetSentence, theSetHasChangedSince } from './shared.ts';

export const notCaught = 'not caught';
export const noDifferenceFound = 'no difference found';
export const ofMutationsTested = (tried: number, value: number) => `${tried} of ${value} mutations tested…`;
export const stoppedAfterOfMutations = (tried: number, value: number) =>
  `Stopped after ${tried} of ${value} mutations.`;
export const mutationsTested = (value: number) => `${value} mutations tested.`;
export const mutationsTestedSoFar = 'Mutations tested so far';
export const addAllSuggestedTrials = (fresh: number) =>
  plural(fresh, '1 suggested trial…', `${fresh} suggested trials…`);
export const trialsWereAdded = (count: number) =>
  plural(count, '1 trial was added.', `${count} trials were added.`);
export const removeAddedTrials = 'Remove again';
export const changesOneThing =
  'Changes one thing at a time (drops a rule, shifts a limit by one, widens a cell) and checks whether a trial fails. For each change that no trial catches, it suggests a trial that would. Your set is not modified.';
export const results = 'Results';
export const mutationsOf = (isOpen: boolean, name: string) =>
  `${isOpen ? 'Close' : 'Open'} mutations of ${name}`;
export const ofNotCaught = (missed: number, proven: number) => `${missed} of ${proven} not caught`;
export const allCaught = (proven: number) => `all ${proven} caught`;
export const caughtBy = (by: string) => `Caught by “${by}”.`;
export const equivalentCompilesToIdenticalOutput = 'Equivalent (compiles to identical output).';
export const noDifferenceWasFound = (tries: string) => `No difference was found in ${tries} tapes.`;
export const alsoCaughtByTheSuggested = (name: string) => `Also caught by the suggested trial “${name}”.`;
export const added = 'Added.';
export const addThisTrial = 'Add this trial';
export const equivalent = 'equivalent';
export const caught = 'caught';
