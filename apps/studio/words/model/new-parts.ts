// Texts of `model/new-parts.ts`.

export { fixedText } from '../shared.ts';

export const cellsThatTakeACharacter = 'Cells that take a character';
export const aNumberWithBounds = 'A number with bounds';
export const oneOfSeveralWords = 'One of several words';
