// Texts of `screens/desk/part-editor.tsx`.

export { charactersAndRanges, remove } from '../later.ts';
export { fixedText } from '../shared.ts';

export const digitClass = 'digit 0–9';
export const letterOfAnyScript = 'letter of any script';
export const letterAZ = 'letter A–Z';
export const letterOrDigit = 'letter or digit';
export const anyCharacter = 'any character';
export const cannotBeEmpty = 'Cannot be empty. Remove the part instead.';
export const optionalGroupsCannotContain = 'Optional groups cannot contain “>”.';
export const allowedWords = 'Allowed words';
export const makeRequired = 'Make required';
export const makeOptional = 'Make optional';
export const moveLeft = 'Move left';
export const moveRight = 'Move right';
export const thisIsTheOnlyPart = 'This is the only part that takes input, so it cannot be removed.';
export const insertBefore = 'Insert before:';
export const aChoiceNeedsAtLeast = 'A choice needs at least two words.';
export const theSameWordAppearsTwice = 'The same word appears twice.';
export const wordsCannotContain = 'Words cannot contain <, > or ".';
export const unknownClass = 'Unknown class.';
export const enterAtLeastOneCharacter = 'Enter at least one character.';
export const allowedCharacters = 'Allowed characters';
export const classLabel = (name: string) => `class ${name}`;
export const theseCharacters = 'these characters…';
export const quotationMarksAreNotAllowed = 'Quotation marks are not allowed.';
export const minimum = 'Minimum';
export const maximum = 'Maximum';
export const letterCase = 'Letter case';
export const asTyped = 'as typed';
export const capitals = 'capitals';
export const lowerCase = 'lower case';
export const useUpTo15Digits = 'Use up to 15 digits.';
export const from = 'From';
export const to = 'To';
