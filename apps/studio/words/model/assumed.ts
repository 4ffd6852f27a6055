// Texts of `model/assumed.ts`.

export const asTheThousandsSeparator = (sign: string | undefined) => `“${sign}” as the thousands separator`;
export const asTheDecimalPoint = (sign: string | undefined) => `“${sign}” as the decimal point`;
export const aDateInADifferent = 'a date in a different order';
export const aMessageWithOneCode = 'a message with one code in it';
