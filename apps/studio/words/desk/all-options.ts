// Texts of `screens/desk/all-options.tsx`.

export const allOptions = 'All options';
export const named = (label: string) => `${label}:`;
