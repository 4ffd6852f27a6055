// Texts of `model/key-words.ts`.

export const inserted = (text: string) => `inserted: ${text}`;
export const pasted = (text: string) => `pasted: ${text}`;
export const autofilled = (text: string) => `autofilled: ${text}`;
export const setTo = (text: string) => `set to ${text}`;
export const caretTo = (start: number) => `caret to ${start}`;
export const selectedTo = (start: number, end: number) => `selected ${start} to ${end}`;
export const serverCheckAnswered = 'server check answered';
export const backspace = '⌫ backspace';
export const deleteKey = '⌦ delete';
export const word = '⌫ word';
export const serverCheckStarted = 'server check started';
export const askedAgain = 'asked again';
export const clearedByARule = 'cleared by a rule';
export const lettersNotAllowed = 'letters are not allowed here';
export const digitsNotAllowed = 'digits are not allowed here';
export const spacesNotAllowed = 'spaces are not allowed here';
export const textNotAllowed = 'this is not allowed here';
export const characterNotAllowed = (character: string) => `“${character}” is not allowed here`;

export const theFieldIsFull = 'the field is full';
export const outsideTheAllowedRange = 'outside the allowed range';
export const noMoreDecimals = 'no more decimals';
export const reEvaluated = 're-evaluated';
export const reset = 'reset';
export const submit = 'submit';
export const redo = 'redo';
export const undo = 'undo';
export const cut = 'cut';
export const blur = 'blur';
export const focus = 'focus';
export const nothing = 'nothing';
export const returnLabel = 'return';
export const space = 'space';
