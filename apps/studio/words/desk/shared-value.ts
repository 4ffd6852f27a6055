// Texts of `screens/desk/shared-value.tsx`.

export const linkedDisplay = 'Linked display:';
