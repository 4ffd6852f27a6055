import { oneTimeCode, pin } from './boxes/index.ts';
import { choice } from './choice/index.ts';
import { choices } from './choices/index.ts';
import { date } from './date/index.ts';
import type { KindTable } from './definition.ts';
import { duration } from './duration/index.ts';
import { currency, number, percent } from './number/index.ts';
import { pattern } from './pattern/index.ts';
import { phone } from './phone/index.ts';
import { text } from './text/index.ts';
import { time } from './time/index.ts';
import { yesNo } from './yes-no/index.ts';

/** All kinds, by name: what runs, what defines it and how it is drawn. A new kind is a folder, a line here and one in `runs.ts`. */
export const kinds = {
  pattern,
  text,
  number,
  currency,
  percent,
  date,
  time,
  duration,
  phone,
  pin,
  'one-time-code': oneTimeCode,
  choice,
  choices,
  'yes-no': yesNo,
} satisfies KindTable;

export type AllKinds = typeof kinds;
export type KindName = keyof AllKinds;

/** The plan of a kind, by its name; any kind's, where none is named. */
export type PlanOf<K extends KindName = KindName> = ReturnType<AllKinds[K]['define']['plan']>;
