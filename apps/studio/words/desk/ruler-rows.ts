// Texts of `screens/desk/ruler-rows.tsx`.

export { empty } from './shared.ts';
