// Texts of `screens/desk/expects.ts`.

export { display, raw } from './shared.ts';
export const ignoredCharacters = 'ignored characters';
export const rejection = 'rejection';
export const flags = 'flags';
export const messageText = 'message text';
export const messageCodes = 'message codes';
export const typedValue = 'value';
