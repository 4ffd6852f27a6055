// Texts of `store/read-on-server.ts`.

export const readingTheSetTakesLonger = (value: number) =>
  `Reading the set takes longer than ${value} seconds. Split it into smaller sets.`;
export const readingTheSetTakesToo = 'Reading the set takes too much memory. Split it into smaller sets.';
export const arbeitIsReadingManyLarge = 'Arbeit is busy reading large sets. Try again.';
