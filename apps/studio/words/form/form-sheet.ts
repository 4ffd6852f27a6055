// Texts of `screens/form/form-sheet.tsx`.

export { backToTheShelf, onADesktop, onAPhone, openInItsOwnPage } from '../shared.ts';

export const thisForm = 'This form';
export const openTheFormAlone = 'Open the form alone';
export const deleteForm = 'Delete form';
export const formWasDeleted = (title: string) => `“${title}” was deleted. Its fields are still in the set.`;
export const bringFormBack = 'Undo';
export const thisFormIsNotValid = (why: string) =>
  `This form is not valid: ${why} Undo to return to the last valid version; the saved version is unchanged.`;
export const titleOfTheForm = 'Title of the form';
export const fillWithSamples = 'Fill with samples';
export const formTools = 'Point at a field, or press Shift + Tab in it, to move, add, compare or remove.';
export const liveForm = 'Live form';
