// Texts of `screens/glossary/glossary.tsx`.

export { glossary } from '../later.ts';

export const wordsThatHaveAMeaning = 'Words that have a meaning of their own in Arbeit.';
