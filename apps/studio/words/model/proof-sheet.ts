// Texts of `model/proof-sheet.ts`.

import { plural } from '../plural.ts';

export {
  htmlAttributes as attributesInSheet,
  initialValue as initialInSheet,
  pattern as patternInSheet,
  placeholder as placeholderInSheet,
  rules as rulesInSheet,
  trials as trialsInSheet,
} from '../shared.ts';

export const proofSheetOf = (title: string) => `Proof sheet of ${title}`;
export const aboutTheSet = (fields: number, forms: number, locale: string, today: string) =>
  `${plural(fields, '1 field', `${fields} fields`)}, ${plural(forms, '1 form', `${forms} forms`)}. Format locale: ${locale}. Relative dates are counted from ${today}.`;
export const emptyInSheet = 'empty field';
export const warningInSheet = 'warning';
export const sameValueInSheet = 'Same value as';
export const conditionInSheet = 'Included if';
export const rulesAcross = 'Rules across fields';
export const formInSheet = (id: string) => `form, ${id}`;
export const downloadThisPage = 'Download this page as one HTML file';
