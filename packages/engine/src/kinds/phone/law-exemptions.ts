import type { LawExemptions } from '../contract/law-exemptions.ts';
import type { PhonePlan } from './plan.ts';
import { hasPlace, type PhoneBody } from './run.ts';

export const lawExemptions: LawExemptions<PhonePlan, PhoneBody> = {
  // An extension behind what has become no number, and more digits than there is room for: deleting at the
  // head alone can lead there.
  isTold: (plan, { content, complete, read }) => (complete || !content.includes('x')) && hasPlace(plan, read),
  // `(0)` stands in an international number for a digit that is dialled at home alone.
  doesConvert: (text) => /\(\s*0\s*\)/.test(text),
  alike: /^\+?[0-9]{0,14}$/,
};
