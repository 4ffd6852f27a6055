// Texts of `screens/desk/expected.tsx`.

export const expectAtThisRow = 'Expect at this row:';
