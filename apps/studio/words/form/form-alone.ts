// Texts of `screens/form/form-alone.tsx`.

export { received } from '../later.ts';
export const nothing = 'nothing';
