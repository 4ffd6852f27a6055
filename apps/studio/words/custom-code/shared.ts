// Texts that several files use.

export const notSaved = (problem: string) => `Not saved: ${problem}`;
