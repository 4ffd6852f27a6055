// Texts of `screens/texts/files.ts`.

export const isNotAValidLanguage = (language: string) =>
  `“${language}” is not a valid language tag (BCP 47).`;
export const unknownKey = (place: string, key: string) => `${place}: unknown key “${key}”.`;
export const theTableCannotBeRead = (value: string) => `The table cannot be read: ${value}.`;
export const theFirstLineNames =
  'The first line names the columns: “name”, then a language each, such as name,en-GB,de-DE.';
export const line = (i: number) => `Line ${i}`;
export const notValidJson = (value: string) => `Not valid JSON: ${value}.`;
