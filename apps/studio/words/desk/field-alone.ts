// Texts of `screens/desk/field-alone.tsx`.

export { received, reset, submit } from '../later.ts';
