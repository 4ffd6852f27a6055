// Texts of `screens/desk/locale-lines.tsx`.

export const inLabel = (name: string) => `In ${name}`;
