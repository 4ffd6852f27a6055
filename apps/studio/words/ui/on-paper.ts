// Texts of `ui/on-paper.tsx`. They form one line: Shown on a desktop, in this theme, left to right.

export const shown = 'Shown';
export const view = 'View';
export const theme = 'Theme';
export const inThisTheme = 'in this theme';
export const inTheLightTheme = 'in the light theme';
export const inTheDarkTheme = 'in the dark theme';
export const textDirection = 'Text direction';
export const leftToRight = 'left to right';
export const rightToLeft = 'right to left';
