import type { LawExemptions } from '../contract/law-exemptions.ts';
import type { PartsBody } from '../editing/parts.ts';
import { partsExemptions } from '../editing/parts-law-exemptions.ts';
import type { DatePlan } from './run.ts';

export const lawExemptions: LawExemptions<DatePlan, PartsBody> = {
  ...partsExemptions,
  // Where another calendar is in use, a year far from ours is read as one of that.
  isReadOtherwise: ({ gregorian, year }, { texts }) => {
    const written = texts[year];
    return !gregorian && !!written && (+written < 1850 || +written > 2250);
  },
  alike: /^[0-9]{0,7}$/,
};
