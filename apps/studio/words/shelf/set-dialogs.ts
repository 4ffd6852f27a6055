// Texts of `screens/shelf/set-dialogs.tsx`.

export { charactersAndRanges, id, remove, rename } from '../later.ts';

export const localeOf = (title: string) => `Locale of ${title}`;
export const setsHowNumbersAndDates =
  'Sets how numbers and dates are formatted. A field can have its own locale.';
export const characterClassesWithTitle = (title: string) => `Character classes in ${title}`;
export const aNamedGroupOfCharacters =
  'A named group of characters that patterns in this set can use, e.g. <2 name> for two of them.';
export const noClassesYet = 'No classes yet. Built in: digit, latin, letter, alnum, any.';
export const name = 'Name';
export const classLabel = (i: number) => `class ${i}`;
export const removeClass = (name: string) => `Remove class ${name}`;
export const addClass = 'Add class';
export const usedBy = (users: string) =>
  `Used by ${users}. If you remove it, its characters are inserted into those patterns.`;
export const notUsed = 'Not used.';
export const thisNameIsAlready = 'This name is already in use.';
export const useLowerCaseLettersDigits = 'Use lower-case letters, digits and “-” only.';
export const renameWithTitle = (title: string) => `Rename ${title}`;
export const theIdIsPart = 'The id is part of the URL. To change the title, edit it on the shelf.';
