import { oneTimeCode, pin } from './boxes/entry.ts';
import { choice } from './choice/entry.ts';
import { choices } from './choices/entry.ts';
import type { KindTable } from './contract/definition.ts';
import { custom } from './custom/entry.ts';
import { date } from './date/entry.ts';
import { dateTime } from './date-time/entry.ts';
import { duration } from './duration/entry.ts';
import { currency, number, percent } from './number/entry.ts';
import { pattern } from './pattern/entry.ts';
import { phone } from './phone/entry.ts';
import { text } from './text/entry.ts';
import { time } from './time/entry.ts';
import { yesNo } from './yes-no/entry.ts';

/**
 * All kinds by name: how each runs, is defined and is drawn. A new kind is a folder, and a line here, in
 * `runs.ts`, `value-types.ts` and `law-exemptions.ts`.
 *
 * @example
 * Object.keys(kinds).length;
 */
export const kinds = {
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
} satisfies KindTable;

/** The table of all kinds, each under its own name with its own types. */
export type AllKinds = typeof kinds;
/** The name of a kind in a document. */
export type KindName = keyof AllKinds;

/** The plan of a kind, by its name; of any kind by default. */
export type PlanOf<K extends KindName = KindName> = ReturnType<AllKinds[K]['define']['plan']>;
