// Texts of `model/import-document.ts`.

export const importedSet = 'Imported set';
export const didYouMean = (suggestion: string) => ` Did you mean ${suggestion}?`;
