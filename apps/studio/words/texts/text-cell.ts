// Texts of `screens/texts/text-cell.tsx`.
export const missingText = 'missing';
