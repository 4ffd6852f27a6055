import type { LawExemptions } from '../contract/law-exemptions.ts';
import type { PhonePlan } from './plan.ts';
import { hasPlace, type PhoneBody } from './run.ts';

export const lawExemptions: LawExemptions<PhonePlan, PhoneBody> = {
  // Deleting at the beginning can lead to an extension after what is no longer a number, and to too many
  // digits.
  isTold: (plan, { content, complete, read }) => (complete || !content.includes('x')) && hasPlace(plan, read),
  // `(0)` in an international number is a digit that is dialled only inside the region.
  doesConvert: (text) => /\(\s*0\s*\)/.test(text),
  alike: /^\+?[0-9]{0,14}$/,
};
