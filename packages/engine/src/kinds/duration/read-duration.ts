import { fold } from '../../values/graphemes.ts';
import { made } from '../../values/made.ts';
import type { DurationPlan } from './plan.ts';

/** A duration that a text says. */
export interface ReadDuration {
  /** Whole minutes. */
  readonly minutes: number;
  /** Hours and minutes as written, if the text has no other units. */
  readonly written?: readonly [hours: string, minutes: string];
}

// A longer number is none: its end is not another number.
const number = '(?:\\d{1,6}(?:[.,]\\d{1,4})?|[.,]\\d{1,4})(?!\\d)';
const unit = '[\\p{L}\\p{M}]+\\.?|[′\'’″"]';
const and = 'and|und|et|y|e|i|a|en|og|och|ja|és';
/** A number with its unit, and what separates it from the next. */
const token = /*#__PURE__*/ made(
  () => new RegExp(`(${number})\\s*(?:(${unit})[\\s,;]*(?:(?:${and})\\s+)?)?`, 'uy'),
);
const clockForm = /^(\d{1,4}):(\d{2})(?::00)?$/;
/** ISO 8601, with decimals in its last number only. */
const isoForm =
  /^p(?:(\d{1,4})d)?(?:t(?=\d)(?:(\d{1,4}(?:[.,]\d+)?)h)?(?:(\d{1,5}(?:[.,]\d+)?)m)?(?:(\d{1,6})s)?)?$/;

const decimal = (text: string): string => text.replace(',', '.').replace(/^\./, '0.');
/** Whole minutes from seconds; `undefined` if there is a rest. */
const minutesOf = (seconds: number): number | undefined => {
  const minutes = Math.round(seconds / 60);
  return Math.abs(seconds / 60 - minutes) < 1e-6 ? minutes : undefined;
};

/** Seconds of a unit; `undefined` if it is none. */
const secondsOf = (plan: DurationPlan, word: string): number | undefined =>
  plan.words.find(([one]) => one === word || `${one}.` === word)?.[1];

/**
 * Reads `90 min`, `1h30`, `1:30`, `1.5h`, `1,5 h`, `1 day 2 hours`, ISO 8601 (`PT1H30M`). A unit means itself
 * in every field. A number without unit has the unit of the plan, or that below the unit before it; one with
 * decimals is hours. `undefined` for other texts, and for what is not whole minutes.
 *
 * @example
 * readDuration(plan, '1h30'); // { minutes: 90, written: ['1', '30'] }
 */
export function readDuration(plan: DurationPlan, given: string): ReadDuration | undefined {
  if (given.length > 100) return undefined;
  const text = [...given].map(fold).join('').trim().toLowerCase();
  const clock = clockForm.exec(text);
  if (clock) {
    const [, h = '', min = ''] = clock;
    return +min < 60 ? { minutes: +h * 60 + +min, written: [h, min] } : undefined;
  }
  const iso = isoForm.exec(text);
  if (iso && /\d/.test(text)) {
    const [d, h, m, s] = iso.slice(1).map((part = '0') => Number(decimal(part)));
    const minutes = minutesOf(d! * 86_400 + h! * 3600 + m! * 60 + s!);
    return minutes === undefined ? undefined : { minutes };
  }
  let seconds = 0;
  let last = Number.POSITIVE_INFINITY;
  let isWritten = true;
  let isNamed = false;
  const written: [string, string] = ['', ''];
  for (token.lastIndex = 0; token.lastIndex < text.length; ) {
    const found = token.exec(text);
    if (!found) return undefined;
    const value = decimal(found[1]!);
    const unit = found[2] ? secondsOf(plan, found[2]) : bareUnit(plan, value, last, isNamed);
    isNamed ||= found[2] !== undefined;
    // Units go down, each once, and only the last may have decimals.
    const isOver = value.includes('.') && token.lastIndex < text.length;
    if (unit === undefined || unit >= last || isOver) return undefined;
    seconds += Number(value) * unit;
    last = unit;
    if (unit === 3600) written[0] = value;
    else if (unit === 60 && !value.includes('.')) written[1] = value;
    else isWritten = false;
  }
  const minutes = last < Number.POSITIVE_INFINITY ? minutesOf(seconds) : undefined;
  if (minutes === undefined) return undefined;
  return isWritten ? { minutes, written } : { minutes };
}

/** Seconds of the unit for a number without a unit. `isNamed`: an earlier number has a unit. */
function bareUnit(plan: DurationPlan, value: string, last: number, isNamed: boolean): number | undefined {
  // In a field of hours only, `1 30` may be two numbers or one and a half hours.
  if (last === 3600) return isNamed || plan.minute >= 0 ? 60 : undefined;
  if (last !== Number.POSITIVE_INFINITY) return undefined;
  return value.includes('.') || plan.bare === plan.hour ? 3600 : 60;
}
