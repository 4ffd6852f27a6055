// Texts of `screens/desk/facts.tsx`.

export const values = 'Values';
export const rawFact = 'raw';
export const valueFact = 'value';
export const stringFact = 'string';
export const readAsFact = 'read as';
