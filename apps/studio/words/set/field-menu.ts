// Texts of `screens/set/field-menu.tsx`.

export { changeId, changeKind, deleteLabel, duplicate, locale, moveDown, moveUp } from '../shared.ts';

export const fromSet = (locale: string) => `${locale} (from set)`;
export const copyOrMoveToAnother = 'Copy or move to another set…';
