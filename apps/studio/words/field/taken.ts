// Texts of `field/taken.ts`.

export const notAccepted = (refusal: string) => `Not accepted: ${refusal}.`;
export const ignored = (leftOut: string) => `Ignored: ${leftOut}.`;
export const interpretedAs = (assumed: string) => `Interpreted as ${assumed}.`;
