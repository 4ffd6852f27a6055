// Texts of `screens/desk/phone-keys.ts`.
export const returnLabel = 'return';
export const search = 'search';
export const go = 'go';
export const space = 'space';
