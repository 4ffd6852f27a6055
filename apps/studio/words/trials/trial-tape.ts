// Texts of `screens/trials/trial-tape.tsx`.

export const thisTrialHasNoExpectations =
  'This trial has no expectations. Add a line such as “expect codes none”.';
export const tapeOf = (name: string) => `Tape of ${name}`;
export const whatIsWrong = 'What is wrong with the tape';
export const lineWithColumn = (line: number, column: number | undefined, message: string) =>
  `Line ${line}${column === undefined ? '' : `, column ${column}`}: ${message}`;
export const revertToTheLastValid = 'Revert to the last valid tape';
