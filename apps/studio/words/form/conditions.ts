// Texts of `screens/form/conditions.tsx`.

export { newCondition, remove } from '../later.ts';
export { empty } from './shared.ts';

export const conditions = 'Conditions';
export const conditionalFields = 'Conditional fields';
export const isShownWhen = (label: string) => `“${label}” is shown when`;
export const removeCondition = (label: string) => `Remove condition on ${label}`;
export const noConditions = 'No conditions: all fields are always shown.';
export const aFieldCannotDepend = 'A field cannot depend on itself.';
export const showField = 'Show field';
export const when = 'when';
export const followedByIs = 'is';
export const notEmpty = 'not empty';
export const addCondition = 'Add condition';
