// Texts of `ui/on-paper.tsx`.

export const leftToRight = 'Left to right';
export const rightToLeft = 'Right to left';
export const light = 'Light';
export const dark = 'Dark';
export const view = 'View';
export const theme = 'Theme';
export const textDirection = 'Text direction';
