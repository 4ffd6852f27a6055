// Texts of `screens/trials/misses.tsx`.

export const failedExpectations = 'Failed expectations';
export const lineWithLineMessage = (line: number, message: string) => `Line ${line}: ${message}`;
export const lineWithLine = (line: number) => `Line ${line}`;
export const showOnDesk = 'Show on desk';
export const toThisRow = 'To this row on its form';
export const actual = 'actual';
export const expected = 'expected';
