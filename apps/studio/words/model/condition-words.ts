// Texts of `model/condition-words.ts`.

export const hasAValue = (label: string) => `“${label}” has a value`;
export const not = (say: string) => `not (${say})`;
export const followedByIs = (label: string, values: string) => `“${label}” is ${values}`;
export const orJoint = ' or ';
export const empty = 'empty';
export const andJoint = ' and ';
