// Texts of `screens/set/new-field-dialog.tsx`.

export { newField, pattern } from '../shared.ts';

export const newFieldWithTitle = (title: string) => `New field in ${title}`;
export const labelOptional = 'Label (optional)';
export const labelExample = 'For example, Phone number';
export const startFromAFieldKind = 'Start from a field kind';
export const copyADemoField = 'Copy a demo field';
export const fromExamples = 'From examples';
export const exampleValuesOnePerLine = 'Example values, one per line';
export const suggestedPatterns = 'Suggested patterns';
export const doesNotFitThePattern = (odd: string) =>
  `“${odd}” does not fit the pattern of the other examples. Remove it, or start from a kind below.`;
export const createFieldWithThisPattern = 'Create field with this pattern';
