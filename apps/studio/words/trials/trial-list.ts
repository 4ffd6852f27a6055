// Texts of `screens/trials/trial-list.tsx`.

import { plural } from '../plural.ts';

export { newTrial, runAgain, stop } from '../later.ts';
export { trials } from '../shared.ts';

export const aNewTrial = 'A new trial';
export const noTrialsYet = 'No trials yet.';
export const ofRun = (ran: number, trials: number) => `${ran} of ${trials} run…`;
export const stoppedAfter = (ran: number, trials: number) => `Stopped after ${ran} of ${trials}.`;
export const allPassedInMs = (trials: number, ceil: number) =>
  `${plural(trials, 'Passed', `All ${trials} passed`)} in ${ceil} ms.`;
export const ofPassedFailed = (trials: number, trials2: number, missing: number) =>
  `${trials} of ${trials2} passed, ${missing} failed.`;
export const aTrialIsARecorded =
  'A trial is a recorded tape with expectations: a test for a field. Record one on the desk of a field, write one here, or generate them with the mutation tests below.';
