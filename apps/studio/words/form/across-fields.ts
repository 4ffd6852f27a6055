// Texts of `screens/form/across-fields.tsx`.

export { crossFieldRules, deleteRule } from '../later.ts';
export { addRule, close } from '../shared.ts';

export const noCrossFieldRulesYet = 'No cross-field rules yet. Example: “Departure must be after Arrival”.';
export const noCrossFieldRulesYetThey =
  'No cross-field rules yet. They need at least two fields that can be compared.';
export const passesServerCheck = (label: string, ask: string) => `“${label}” passes server check (${ask})`;
export const otherCheck = (label: string, check: string) => `“${label}”: ${check}`;
export const showMessage = 'Show message at';
export const mustBe = 'Must be';
export const mustBeWord = 'must be';
export const days = 'Days';
export const daysWord = 'days:';
export const enterANumberOfDays = 'Enter a number of days.';
export const comparedWith = 'Compared with';
export const edit = 'Edit';
export const editTheRule = (label: string) => `Edit message or delete rule: ${label}`;
