// Texts of `field/plain-field.tsx`.

export { noLabel } from '../shared.ts';
