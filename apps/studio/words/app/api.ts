// Texts of the routes under `app/api`.

import { plural } from '../plural.ts';

export const documentHasErrors = 'The document has errors.';
export const expectedJson = 'Expected content of type application/json.';
export const fromIsANumber = '“from” must be a number of sets.';
export const handOffFailed = 'The hand-off could not be made. Try again.';
export const internalError = 'Arbeit failed. Unsaved changes are kept in this browser.';
export const noSuchConflict = 'No conflicting save with this number.';
export const noSuchForm = 'This set has no such form.';
export const noSuchRevision = 'This revision no longer exists.';
export const noSuchSet = 'This set does not exist.';
export const noneInTheStore = 'None of these sets is in the store.';
export const notDeleted = 'This set has not been deleted.';
export const notInTheStore = 'This set is no longer in the store.';
export const notJson = 'The request is not JSON.';
export const notUtf8 = 'The request is not UTF-8.';
export const numberOrAddress = 'A number such as +447700900123, or an e-mail address.';
export const simulatedFailure = 'Simulated failure (see the simulated services panel).';
export const sinceIsARevision = '“since” must be a revision number.';
export const useLowerCase = 'Use lower-case letters, digits and “-” only.';
export const mostFollowed = (most: number) => `A page can watch at most ${most} sets.`;
export const tooManyPages = (most: number) => `More than ${most} pages are open. Close some of them.`;
export const tooLarge = (megabytes: number) => `Too large: a set can have at most ${megabytes} MB.`;
export const tooDeep = (most: number) => `An operation is nested too deeply. The maximum is ${most} levels.`;
export const tooManyNames = (most: number) => `Use at most ${most} names.`;
export const nextCodeIn = (seconds: number) =>
  plural(seconds, 'Another code can be sent in 1 second.', `Another code can be sent in ${seconds} seconds.`);
export const idIsTaken = (id: string) => `The id ${id} is already taken.`;
export const titleIsTooLong = (most: number) => `The title has more than ${most} characters.`;
