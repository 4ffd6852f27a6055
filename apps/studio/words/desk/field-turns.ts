// Texts of `screens/desk/field-turns.tsx`.

export { actionsFor, backToTheShelf, field, newFieldInThisSet, openInItsOwnPage } from '../shared.ts';

export const thisField = 'This field';
export const previousField = (value: string) => `Previous field${value}`;
export const nextField = (value: string) => `Next field${value}`;
export const openTheFieldAlone = 'Open the field alone';
export const deleteThisField = 'Delete this field';
export const fieldWithWordName = (word: string, name: string) => `${word} field: ${name}`;
export const next = 'Next';
export const previous = 'Previous';
