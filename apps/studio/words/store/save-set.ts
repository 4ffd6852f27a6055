// Texts of `store/save-set.ts`.

export const theSetIsTooLarge = (toFixed: string, value: number) =>
  `The set is too large (${toFixed} MB). The maximum is ${value} MB.`;
