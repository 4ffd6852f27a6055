// Texts of `field/custom-code/code-check.tsx`.

export { notSaved } from './shared.ts';

export const typedValuesOfTheFields = 'typed values of the fields named';
export const dayInIso = 'the day, ISO 8601';
export const returnLabel = 'return: error code';
export const returnLabelBy = 'return: placeholders of the message, by name';
export const returnLabelInText = 'return: extra facts by name';
export const returnOpen = 'return: still open';
export const aTypedValueOrNull = 'a typed value, or null';
export const codeOfTheCheck = 'Code of the check';
export const running = 'Running…';
export const line = (line: number) => `Line ${line}: `;
export const resultForTheSample = 'Result for the sample:';
export const passes = 'passes';
export const theRawValue = 'the raw value';
export const theTypedValue = 'the typed value';
