// Texts of `screens/desk/rule-readings.tsx`.

export const asItWillRead = 'Messages at the limit and next to it';
export const emptyField = 'empty field';
export const inLanguage = (language: string) => `${language}:`;
