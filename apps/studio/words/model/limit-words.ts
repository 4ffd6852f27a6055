// Texts of `model/limit-words.ts`.

import { plural } from '../plural.ts';

export const today = 'today';
export const tomorrow = 'tomorrow';
export const yesterday = 'yesterday';
export const units = {
  d: (count: number) => plural(count, '1 day', `${count} days`),
  w: (count: number) => plural(count, '1 week', `${count} weeks`),
  m: (count: number) => plural(count, '1 month', `${count} months`),
  y: (count: number) => plural(count, '1 year', `${count} years`),
};
export const fromToday = {
  '+': (time: string) => `${time} after today`,
  '-': (time: string) => `${time} before today`,
};
