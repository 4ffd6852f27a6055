import { boxes } from './boxes.ts';
import { date } from './date.ts';
import { duration } from './duration.ts';
import { addKinds } from './kind.ts';
import { number } from './number.ts';
import { pattern } from './pattern.ts';
import { phone } from './phone.ts';
import { text } from './text.ts';
import { time } from './time.ts';

/** The kinds, by name: a new kind is its own file and a line here. */
addKinds({
  pattern,
  text,
  number,
  currency: number,
  percent: number,
  date,
  time,
  duration,
  phone,
  pin: boxes,
  'one-time-code': boxes,
});
