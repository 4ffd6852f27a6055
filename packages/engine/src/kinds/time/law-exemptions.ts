import type { LawExemptions } from '../contract/law-exemptions.ts';
import type { PartsBody } from '../editing/parts.ts';
import { partsExemptions } from '../editing/parts-law-exemptions.ts';
import type { TimePlan } from './run.ts';

// A time is converted as a whole: `2 pm`, `1:30`, `0 11` on a clock of twelve hours.
export const lawExemptions: LawExemptions<TimePlan, PartsBody> = {
  ...partsExemptions,
  doesConvert: (text) => /[a-z:.]|\d\D+\d/i.test(text),
  alike: /^[0-9]{0,6}$/,
};
