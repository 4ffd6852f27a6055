import { addDays, addMonths, isDate } from '../../values/calendar.ts';
import { add, canonical, places } from '../../values/decimal.ts';

/** The time of day `by` minutes later; `undefined` past midnight. */
function minutesOn(time: string, by: number): string | undefined {
  const [hour = 0, minute = 0] = time.split(':').map(Number);
  const at = hour * 60 + minute + by;
  if (at < 0 || at >= 1440) return undefined;
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${two(Math.floor(at / 60))}:${two(at % 60)}${time.slice(5)}`;
}

/**
 * The values directly below and above a limit, as rules write them: decimals by one in their last place,
 * dates and months (ISO 8601) by a day and a month, relative dates by one of their unit, times and dates with
 * times by a minute. Empty if the text is not a limit.
 *
 * @example
 * besideLimit('2027-03-01'); // ['2027-02-28', '2027-03-02']
 */
export function besideLimit(limit: string): readonly string[] {
  const relative = /^today(?:([+-])(\d+)([dwmy]))?$/.exec(limit);
  if (relative) {
    const [, sign = '+', count = '0', unit = 'd'] = relative;
    const at = Number(`${sign}${count}`);
    return [at - 1, at + 1].map((one) =>
      one === 0 ? 'today' : `today${one < 0 ? '-' : '+'}${Math.abs(one)}${unit}`,
    );
  }
  if (isDate(limit)) return [addDays(limit, -1), addDays(limit, 1)];
  if (isDate(`${limit}-01`)) return [-1, 1].map((by) => addMonths(`${limit}-01`, by).slice(0, 7));
  if (/^\d{4}-\d\d-\d\dT\d\d:\d\d$/.test(limit))
    return [-1, 1].map((by) => new Date(Date.parse(`${limit}Z`) + by * 60_000).toISOString().slice(0, 16));
  if (/^\d\d:\d\d(?::\d\d)?$/.test(limit)) return [-1, 1].flatMap((by) => minutesOn(limit, by) ?? []);
  const number = canonical(limit);
  if (!number) return [];
  const unit = places(number) ? `0.${'0'.repeat(places(number) - 1)}1` : '1';
  return [add(number, `-${unit}`), add(number, unit)];
}
