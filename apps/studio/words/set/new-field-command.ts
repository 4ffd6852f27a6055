// Texts of `screens/set/new-field-command.tsx`.

export { newFieldInThisSet } from '../shared.ts';

export const thisSet = 'This set';
