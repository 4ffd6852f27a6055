import type { LawExemptions } from '../contract/law-exemptions.ts';
import type { PartsBody } from '../editing/parts.ts';
import { isToldInParts, partsExemptions } from '../editing/parts-law-exemptions.ts';
import type { DurationPlan } from './plan.ts';

export const lawExemptions: LawExemptions<DurationPlan, PartsBody> = {
  ...partsExemptions,
  // Hours passed without a number (`h `) are a state of their own.
  flags: ({ content, display }) => (content === '' && display !== '' ? 'passed' : ''),
  // Hours that begin with the decimal point have lost the digits before it.
  isTold: (plan, body) =>
    isToldInParts(plan, body, true) && body.texts.every((text) => !text.startsWith('.')),
  // Units (`57’` in a field of hours is 0.95) and decimals are converted, leading zeros are dropped.
  doesConvert: (text) => /[\p{L}′'’″":.,]|^\D*0/u.test(text.normalize('NFKC')),
  alike: /^(?:[1-9][0-9]{0,13})?$/,
};
