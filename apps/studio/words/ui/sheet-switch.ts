// Texts of `ui/sheet-switch.tsx`.

export { appearance } from './shared.ts';

export const darkTheme = 'Dark theme';
export const lightTheme = 'Light theme';
