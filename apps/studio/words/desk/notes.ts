// Texts of `screens/desk/notes.tsx`.

export { addRule, rules } from '../shared.ts';

export const rulesFirstFailingRule = 'Rules (first failing rule is shown)';
export const mustBeComplete = 'must be complete';
export const onBlurBuilt = 'on blur, built in';
export const reorder = (words: string) => `Reorder “${words}”. Use the arrow keys or drag.`;
export const warning = ', warning';
