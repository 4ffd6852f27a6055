// Texts of `screens/form/across-fields.tsx`.

export { crossFieldRules, deleteRule } from '../later.ts';
export { addRule } from '../shared.ts';

export const noCrossFieldRulesYet = 'No cross-field rules yet. Example: “Departure is after Arrival”.';
export const noCrossFieldRulesYetThey =
  'No cross-field rules yet. They need at least two fields that can be compared.';
export const passesServerCheck = (label: string, ask: string) => `${label} passes server check (${ask})`;
export const defaultMessage = 'Default message';
export const showMessage = 'Show message at';
export const mustBe = 'Must be';
export const days = 'Days';
export const enterANumberOfDays = 'Enter a number of days.';
export const comparedWith = 'Compared with';
export const availablePlaceholders = 'Available placeholders:';
