// Texts of `screens/form/board.ts`.

export { messageTiming } from '../later.ts';
export { field, onBlur, onSubmit, whileTyping } from '../shared.ts';

export const waitingForTheServer = 'waiting for the server';
export const shownOnSubmit = 'shown on submit';
export const shownOnBlur = 'shown on blur';
export const stillOpen = 'still open: more typing could make it valid';
export const notShownYet = 'not shown yet';
export const hiddenBy = (first: string) => `hidden by “${first}”`;
export const hideInactiveRules = 'Hide inactive rules';
export const showWhyOtherRules = 'Show why other rules are silent';
export const messagesByMoment = 'Messages by moment';
export const noMessage = 'No message';
