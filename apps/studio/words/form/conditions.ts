// Texts of `screens/form/conditions.tsx`.

export { newCondition, remove } from '../later.ts';
export { cancel } from './live-form.tsx';

export const conditions = 'Conditions';
export const conditionalFields = 'Conditional fields';
export const isShownWhen = 'is shown when';
export const labelIsShownWhen = (label: string) => `“${label}” is shown when`;
export const labelIsShown = (label: string, when: string) => `“${label}” is shown when ${when}`;
export const removeCondition = (label: string) => `Remove condition on ${label}`;
export const noConditions = 'No conditions: all fields are always shown.';
export const showField = 'Show field';
export const when = 'when';
export const followedByIs = 'is';
export const chooseAField = 'choose a field';
export const hasAValue = 'has a value';
export const isEmpty = 'is empty';
export const isValue = (value: string) => `is “${value}”`;
