// Texts of `screens/set/field-dialogs.tsx`.

export { copy, id, kind, loadingSets, noOtherSets, rename } from '../later.ts';

export const renameWithLabel = (label: string) => `Rename ${label}`;
export const referencesAreUpdated = (uses: string) => `References are updated in: ${uses}.`;
export const theIdIsTheFields =
  'The id is the field’s name in code. To change the label, edit it on the field.';
export const codeMayUseTheId = (id: string) =>
  `Exported code uses “${id}”. After a change, export again and update that code.`;
export const nameInRecords = 'Name in records and FormData';
export const changeKindWithLabel = (label: string) => `Change kind of ${label}`;
export const labelHintAndMessages =
  'Label, hint and messages are kept. Rules and options are kept where the new kind supports them.';
export const willBeRemoved = (lost: string) => `Will be removed: ${lost}. You can undo this.`;
export const change = 'Change kind';
export const noResponseFromTheServerClose = 'No response from the server. Close this dialog and try again.';
export const copyOrMove = (label: string) => `Copy or move ${label}`;
export const move = 'Move';
export const fields = (fields: number) => `${fields} fields`;
export const localeOf = (label: string) => `Locale of ${label}`;
export const setsHowNumbersAndDates =
  'Sets how numbers and dates are formatted. By default a field uses the locale of its set.';
export const languageOfMessages = 'Language of messages';
export const defaultLabel = (localeName: string) => `Default: ${localeName}`;
export const searchByLanguageCountry = 'Search by language, country or code (e.g. de-CH)';
export const localeLegend = 'Locale';
export const setDefault = (localeName: string) => `Set default: ${localeName}`;
export const noMatch = 'No match. Other locales can be set in the document, e.g. "locale": "de-LI".';
