// Texts of `screens/form/live-form.tsx`.

import type { ReactNode } from 'react';
import { plural } from '../plural.ts';

export { reset, submit } from '../later.ts';

export const waiting = 'Waiting…';
export const sending = 'Sending…';
export const cancel = 'Cancel';
export const discardWhatYouEntered = 'Discard what you entered?';
export const discard = 'Discard';
export const keepEditing = 'Keep editing';
export const completeAllFieldsToSubmit = 'Complete all fields to submit.';
export const waitingForAServerCheck = 'Waiting for a server check. The form will then submit automatically.';
export const submitted = 'Submitted.';
export const theServerCould = 'The server could not be reached. Your entries are kept; please submit again.';
export const allFieldsAreValid = 'All fields are valid. You can submit again.';
export const needAttention = (count: number, fields: ReactNode) => (
  <>
    {plural(count, '1 field needs attention:', `${count} fields need attention:`)} {fields}.
  </>
);
