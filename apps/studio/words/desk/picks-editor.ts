// Texts of `screens/desk/picks-editor.tsx`.

export { label, value } from './shared.ts';

export const partOfOption = {
  label: (i: number) => `Label of option ${i}`,
  value: (i: number) => `Value of option ${i}`,
};
export const moveOptionUp = (i: number) => `Move option ${i} up`;
export const removeOption = (i: number) => `Remove option ${i}`;
export const addOption = 'Add option';
