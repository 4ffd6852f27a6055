// Texts of `screens/desk/shared-value.tsx`.

export const linkedDisplay = (display: string) => `Linked display: ${display}`;
