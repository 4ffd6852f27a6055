// Texts that several files use.

export const empty = 'empty';
export const never = 'never';
