import type { LawExemptions } from '../contract/law-exemptions.ts';
import type { NumberPlan } from './plan.ts';

export const currency: LawExemptions<NumberPlan> = {
  isFromRight: ({ fill }) => fill === 'right',
  fixed: ({ around, own }) => [...around, ...own].join(''),
  alike: /^[1-9]\d{0,8}$/,
};

export const number: LawExemptions<NumberPlan> = { ...currency, alike: /^\d{1,8}$/ };
export const percent: LawExemptions<NumberPlan> = { ...currency, alike: /^\d{1,4}$/ };
