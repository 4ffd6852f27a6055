import type { Kind } from '../field/kind.ts';
import { boxes } from './boxes/run.ts';
import { choice } from './choice/run.ts';
import { choices } from './choices/run.ts';
import { custom } from './custom/run.ts';
import { date } from './date/run.ts';
import { dateTime } from './date-time/run.ts';
import { duration } from './duration/run.ts';
import { number } from './number/run.ts';
import { pattern } from './pattern/run.ts';
import { phone } from './phone/run.ts';
import type { KindName } from './registry.ts';
import { text } from './text/run.ts';
import { time } from './time/run.ts';
import { yesNo } from './yes-no/run.ts';

/**
 * All kinds at run time, by name, without what defines them: for a page that receives compiled fields of any
 * kind.
 */
export const runs = {
  pattern,
  text,
  number,
  currency: number,
  percent: number,
  date,
  time,
  'date-time': dateTime,
  duration,
  phone,
  pin: boxes,
  'one-time-code': boxes,
  choice,
  choices,
  'yes-no': yesNo,
  custom,
} satisfies Readonly<Record<KindName, Kind>>;
