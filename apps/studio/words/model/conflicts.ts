// Texts of `model/conflicts.ts`.

export const first = 'first';
export const after = (place: string) => `after ${place}`;
export const positionOf = (place: string) => `the position of ${place}`;
export const deleted = 'deleted';
export const none = '–';
export const shortened = (text: string) => `${text} …`;
export const doNotFit = (place: string, message: string) =>
  `These do not fit together. At ${place}: ${message} Choose the same version for both.`;
