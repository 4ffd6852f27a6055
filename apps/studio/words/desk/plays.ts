// Texts of `screens/desk/plays.ts`.

export const pick = (finished: string) => `Pick “${finished}”`;
export const selectAndClear = 'Select and clear';
export const pickItAndUndo = 'Pick it and undo';
export const typeASample = 'Type a sample';
export const editInTheMiddle = 'Edit in the middle';
export const pasteASample = 'Paste a sample';
