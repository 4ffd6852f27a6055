// Texts of `screens/trials/tape-language.ts`.

export const theCurrentState = 'The current state.';
export const aRule = 'a rule';
