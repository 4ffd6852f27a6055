import type { LawExemptions } from '../contract/law-exemptions.ts';
import { lawExemptions as ofDates } from '../date/law-exemptions.ts';
import type { PartsBody } from '../editing/parts.ts';
import { partsExemptions } from '../editing/parts-law-exemptions.ts';
import type { DateTimePlan } from './plan.ts';

// A date with a time is converted as a whole: `2 pm`, `1:30`.
export const lawExemptions: LawExemptions<DateTimePlan, PartsBody> = {
  ...partsExemptions,
  doesConvert: (text) => /[a-z:.]/i.test(text),
  isReadOtherwise: ({ date, dateAt }, body) =>
    ofDates.isReadOtherwise?.(date, { ...body, texts: body.texts.slice(dateAt) }) ?? false,
  alike: /^[0-9]{0,11}$/,
};
