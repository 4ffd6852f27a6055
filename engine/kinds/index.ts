import { oneTimeCode, pin } from './boxes/define.ts';
import { drawing as drawBoxes } from './boxes/sample.ts';
import { date as defineDate } from './date/define.ts';
import { drawing as drawDate } from './date/sample.ts';
import type { KindEntry, KindTable } from './definition.ts';
import { duration as defineDuration } from './duration/define.ts';
import { drawing as drawDuration } from './duration/sample.ts';
import { currency, number as defineNumber, percent } from './number/define.ts';
import { drawing as drawNumber } from './number/sample.ts';
import { pattern as definePattern } from './pattern/define.ts';
import { drawing as drawPattern } from './pattern/sample.ts';
import { phone as definePhone } from './phone/define.ts';
import { drawing as drawPhone } from './phone/sample.ts';
import { runs } from './runs.ts';
import { text as defineText } from './text/define.ts';
import { drawing as drawText } from './text/sample.ts';
import { time as defineTime } from './time/define.ts';
import { drawing as drawTime } from './time/sample.ts';

/** All kinds, by name: what runs, what defines it and how it is drawn. A new kind is a folder, a line here and one in `runs.ts`. */
export const kinds = {
  pattern: { run: runs.pattern, define: definePattern, draw: drawPattern },
  text: { run: runs.text, define: defineText, draw: drawText },
  number: { run: runs.number, define: defineNumber, draw: drawNumber },
  currency: { run: runs.currency, define: currency, draw: drawNumber },
  percent: { run: runs.percent, define: percent, draw: drawNumber },
  date: { run: runs.date, define: defineDate, draw: drawDate },
  time: { run: runs.time, define: defineTime, draw: drawTime },
  duration: { run: runs.duration, define: defineDuration, draw: drawDuration },
  phone: { run: runs.phone, define: definePhone, draw: drawPhone },
  pin: { run: runs.pin, define: pin, draw: drawBoxes },
  'one-time-code': { run: runs['one-time-code'], define: oneTimeCode, draw: drawBoxes },
} satisfies KindTable;

export type AllKinds = typeof kinds;
export type KindName = keyof AllKinds;

/** One of them by its name, as what every kind is. */
export const kindOf = (name: KindName): KindEntry => kinds[name];

/** The plan of a kind, by its name; any kind's, where none is named. */
export type PlanOf<K extends KindName = KindName> = ReturnType<AllKinds[K]['define']['plan']>;
