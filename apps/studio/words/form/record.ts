// Texts of `screens/form/record.tsx`.

export { shown, submittedData } from '../later.ts';
export { field } from '../shared.ts';
export const empty = 'empty';

export const byField = 'By field';
export const asJson = 'As JSON';
export const asFormdata = 'As FormData';
export const record = 'Record';
export const nothingSubmittedYet = 'Nothing submitted yet. Fill in the form and submit it.';
export const theRecordByField = 'The record by field';
export const raw = 'raw';
export const value = 'value';
export const facts = 'facts';
export const nullLabel = 'null';
