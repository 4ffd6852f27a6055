// Texts of `screens/desk/appearance-section.tsx`.

export const appearanceWhenExported = 'Appearance (when exported)';
export const theAppearance = 'the appearance';
export const appearance = 'Appearance';
