// Texts of `screens/desk/locale-sheet.tsx`.

export { close, inOtherLocales } from '../shared.ts';

export const oneValueSixteenLocales = 'one value, sixteen locales';
export const show = 'Show';
