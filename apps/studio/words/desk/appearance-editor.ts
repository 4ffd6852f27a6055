// Texts of `screens/desk/appearance-editor.tsx`.

export { label } from './shared.ts';

export const prefix = 'Prefix';
export const suffix = 'Suffix';
export const iconSvg = 'Icon (SVG)';
export const size = 'Size';
export const widthCharacters = 'Width (characters)';
