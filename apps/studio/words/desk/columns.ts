// Texts of `screens/desk/columns.ts`.
export const set = 'set';
export const any = 'any';
export const abc = 'abc';
export const num = 'num';
export const word = 'word';
