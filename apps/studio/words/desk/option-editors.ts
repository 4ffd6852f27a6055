// Texts of `screens/desk/option-editors.tsx`.

export const enterAWholeNumber = (min: number, max: number) =>
  `Enter a whole number from ${min} to ${max}, or leave it empty.`;
