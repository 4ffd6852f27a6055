// Texts of `screens/desk/add-pattern.tsx`.

export const addAnotherPattern = 'Add another pattern';
