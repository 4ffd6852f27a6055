// Texts of `screens/desk/appearance-words.ts`.

export const besideIt = 'beside it';
export const labelWithLabel = (label: string) => `label ${label}`;
export const widthCharactersWithWidth = (width: number) => `width ${width} characters`;
export const prefixWithBefore = (before: string) => `prefix “${before}”`;
export const suffixWithBehind = (behind: string) => `suffix “${behind}”`;
export const defaultAppearance = 'default';
export const icon = 'icon';
export const large = 'large';
export const medium = 'medium';
export const small = 'small';
export const floating = 'floating';
export const above = 'above';
