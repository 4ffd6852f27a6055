// Texts of `screens/texts/catalogue.tsx`.

import { plural } from '../plural.ts';

export { addLanguage, remove, shown, text, texts } from '../later.ts';
export { translations } from '../shared.ts';

export const all = 'All';
export const missing = 'Missing';
export const ruleMessagesOnly = 'Rule messages only';
export const translationsOf = (title: string) => `Translations of ${title}`;
export const oneLanguage = 'One language. Add another to translate.';
export const nothingIsMissing = 'Nothing is missing.';
export const missingTranslations = (missing: number) =>
  plural(missing, '1 missing translation', `${missing} missing translations`);
export const textsByLanguage = 'Texts by language';
export const removeWithLanguage = (language: string) => `Remove ${language}`;
export const noTextsMatchThisFilter = 'No texts match this filter.';
export const addLanguageDialog = 'Add language…';
export const unusedTexts = 'Unused texts';
export const removeFrom = (key: string, language: string) => `Remove ${key} from ${language}`;
export const section = 'section';
export const title = 'title';
export const option = 'option';
export const rule = 'rule';
export const placeholder = 'placeholder';
export const hint = 'hint';
export const label = 'label';
