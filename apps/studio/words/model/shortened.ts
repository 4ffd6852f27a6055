// Texts of `model/shortened.ts`.

export const longText = (start: string, count: string) => `${start}… (${count} characters)`;
