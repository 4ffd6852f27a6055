// Texts of `screens/trials/use-trials.ts`.

export const notYet = 'not yet';
