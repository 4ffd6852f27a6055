// Texts of `services/records.ts`.

export const thisCodeWasUsedBefore = 'This code was used before.';
export const arbeitIsRunningManyCustom = 'Arbeit is running many custom checks at the moment. Try again.';
