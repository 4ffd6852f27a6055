// Texts of `model/form-edits.ts`.

export { newForm } from '../shared.ts';

export const firstSection = 'First section';
export const anotherSection = 'Another section';
