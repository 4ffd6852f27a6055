// Texts of `screens/desk/play-tape.ts`.

export const lineColumn = (line: number, column: number, message: string) =>
  `Line ${line}, column ${column}: ${message}`;
export const itCannotBeRead = 'It cannot be read.';
export const thisTape = (type: string, id: string, id2: string) =>
  `This tape is for the ${type} “${id}”, not for “${id2}”.`;
