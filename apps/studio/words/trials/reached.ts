// Texts of `screens/trials/reached.tsx`.

import { plural } from '../plural.ts';

export { coverage, text } from '../later.ts';
export { field } from '../shared.ts';

export const somethingNotTaken = 'something not taken';
export const notCovered = ' not covered';
export const everyPositionWasFilled = 'every position was filled';
export const ofItsPositionsNeverFilled = (never: number) => `${never} of its positions never filled`;
export const measuring = 'Measuring…';
export const fieldsHaveNoTrial = (nowhere: number) =>
  `${plural(nowhere, '1 field has no trial.', `${nowhere} fields have no trial.`)} Struck-out items are not covered.`;
export const struckOutItems = 'Struck-out items are not covered.';
export const coverageByField = 'Coverage by field';
export const states = 'States';
export const rulesAndVerdicts = 'Rules and verdicts';
export const options = 'Options';
export const message = 'message';
export const covered = ' covered';
