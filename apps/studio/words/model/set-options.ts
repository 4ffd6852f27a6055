// Texts of `model/set-options.ts`.

export const yesInOptions = 'yes';
export const noInOptions = 'no';
