// Texts of `model/offers.ts`.

export const choice = (n: number) => `Choice ${n}`;
