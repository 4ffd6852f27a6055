// Texts of `screens/handoff/weight-words.ts`.

export const kB = (toFixed: string) => `${toFixed} kB`;
