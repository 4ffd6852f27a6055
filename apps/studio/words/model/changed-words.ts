// Texts of `model/changed-words.ts`.

export {
  characterClassesInText,
  condition,
  forms,
  hint,
  initialValue,
  kind,
  label,
  locale,
  placeholder,
  rules,
  sharedValue,
  title,
} from './shared.ts';

export const inputAttributes = 'input attributes';
export const added = 'Added';
export const removed = 'Removed';
export const changed = 'Changed';
export const moved = 'Moved';
export const wholeSet = 'whole set';
export const andMore = (shown: string, left: number) => `${shown} and ${left} more`;
export const also = 'Also';
export const moreChanges = 'more changes, which are not listed';
export const trials = 'trials';
export const translations = 'translations';
export const tape = 'tape';
export const sections = 'sections';
export const messages = 'messages';
export const appearance = 'appearance';
export const fields = 'fields';
export const format = 'format';
export const language = 'language';
export const nameInRecords = 'name in records';
