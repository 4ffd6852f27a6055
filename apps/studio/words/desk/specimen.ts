// Texts of `screens/desk/specimen.tsx`.

export { specimen } from './shared.ts';

export const edit = (inWords: string) => `Edit ${inWords}`;
export const addAPart = 'Add a part';
export const optional = 'optional';
export const fixed = 'fixed';
