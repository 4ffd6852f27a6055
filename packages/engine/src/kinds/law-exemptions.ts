import type { Plan } from '../field/compiled.ts';
import { oneTimeCode, pin } from './boxes/law-exemptions.ts';
import { lawExemptions as choice } from './choice/law-exemptions.ts';
import { lawExemptions as choices } from './choices/law-exemptions.ts';
import type { LawExemptions } from './contract/law-exemptions.ts';
import { lawExemptions as custom } from './custom/law-exemptions.ts';
import { lawExemptions as date } from './date/law-exemptions.ts';
import { lawExemptions as dateTime } from './date-time/law-exemptions.ts';
import { lawExemptions as duration } from './duration/law-exemptions.ts';
import { currency, number, percent } from './number/law-exemptions.ts';
import { lawExemptions as pattern } from './pattern/law-exemptions.ts';
import { lawExemptions as phone } from './phone/law-exemptions.ts';
import type { KindName } from './registry.ts';
import { lawExemptions as text } from './text/law-exemptions.ts';
import { lawExemptions as time } from './time/law-exemptions.ts';
import { lawExemptions as yesNo } from './yes-no/law-exemptions.ts';

export type { Atom, LawExemptions } from './contract/law-exemptions.ts';

/**
 * Law exemptions by kind. Separate from `registry.ts`, because pages do not need it. The compiler requires an
 * entry for each kind.
 */
const kinds = {
  pattern,
  text,
  number,
  currency,
  percent,
  date,
  time,
  'date-time': dateTime,
  duration,
  phone,
  pin,
  'one-time-code': oneTimeCode,
  choice,
  choices,
  'yes-no': yesNo,
  custom,
} satisfies Readonly<Record<KindName, LawExemptions<never, never>>>;

const none: LawExemptions = {};

/** The law exemptions of a field, by its plan. None for a kind that does not come with the package. */
export function lawExemptionsOf(plan: Plan): LawExemptions {
  return Object.hasOwn(kinds, plan.kind)
    ? // Each is asked about plans and bodies of its own kind alone, by whose name it was found.
      (kinds[plan.kind as KindName] as unknown as LawExemptions)
    : none;
}
