// Texts of `model/shape-of.ts`.

export const or = (first: string, more: number, last: string) =>
  `${first} or ${more === 1 ? last : `${more} others`}`;
