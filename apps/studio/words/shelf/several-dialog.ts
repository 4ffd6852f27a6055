// Texts of `screens/shelf/several-dialog.tsx`.

import { plural } from '../plural.ts';

export { loadingSets, noOtherSets } from '../later.ts';

const fieldsWord = (count: number) => plural(count, '1 field was', `${count} fields were`);

export const severalFieldsOf = (title: string) => `Several fields of ${title}`;
export const fields = 'Fields';
export const selected = (count: number, of: number) => `${count} of ${of} selected`;
export const selectAll = 'Select all';
export const selectNone = 'Select none';
export const toWhichSet = 'Copy or move to';
export const chooseASet = 'Choose a set';
export const copyThere = 'Copy there';
export const moveThere = 'Move there';
export const duplicate = 'Duplicate';
export const downloadDocument = 'Download document';
export const deleteFields = 'Delete';
export const fileName = (id: string) => `${id}-fields.arbeit.json`;
export const wereCopied = (count: number, title: string) => `${fieldsWord(count)} copied to “${title}”.`;
export const wereMoved = (count: number, title: string) =>
  `${fieldsWord(count)} moved to “${title}”. Undo restores them here.`;
export const wereDuplicated = (count: number) => `${fieldsWord(count)} duplicated.`;
export const wereDeleted = (count: number) => `${fieldsWord(count)} deleted. Undo restores them.`;
