// Texts of `screens/desk/members-editor.tsx`.

export const oneALine = (label: string) => `${label}, one a line`;
export const enterAWholeNumberTo = (min: number, max: number) =>
  `Enter a whole number from ${min} to ${max}.`;
