// Texts of `screens/desk/input-attributes.tsx`.

export { htmlAttributes } from '../shared.ts';
export { none } from './shared.ts';

export const onScreenKeyboardAutofillCapitalization =
  'On-screen keyboard, autofill, capitalization and spell checking. Each kind has suitable defaults. Values set here override them.';
export const off = 'off';
export const on = 'on';
