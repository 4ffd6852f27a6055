import { fold } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import type { Parsed } from '../editing/parts.ts';
import type { TimePlan } from './plan.ts';

export const two = (n: number): string => `${n}`.padStart(2, '0');

/** The parts in the plan's order, from the hour of the day and `minute` and `second` as two digits. */
export function ordered(plan: TimePlan, hour: number, minute: string, second: string): string[] {
  const texts = plan.parts.map(() => '');
  texts[plan.hour] = two(plan.period < 0 ? hour : hour % 12 || 12);
  texts[plan.minute] = minute;
  if (plan.second >= 0) texts[plan.second] = second;
  if (plan.period >= 0) texts[plan.period] = itemAt(plan.parts, plan.period).words![hour < 12 ? 0 : 1]!;
  return texts;
}

const stampForm = /^\d{4}-\d\d-\d\d[T\s](?=\d)/u;
/** English a.m. and p.m., with or without full stops, not after a letter. */
const latinHalf = /(?<!\p{L})([ap])\.?\s?m\b\.?/u;
/** Scripts without spaces between words. */
const unspaced = /[\u0e00-\u0e7f\u3040-\u30ff\u3400-\u9fff\uac00-\ud7af]/;
/** Words that make a number the hour. */
const hourWords = /*#__PURE__*/ "h hrs hours uhr o'clock 点 點 时 時 시".split(' ');
/** Other units, and words that come before a time. */
const besideTimes =
  /*#__PURE__*/ 'min s 分 秒 분 초 at um om kl klo à às las a alle ore godz o v в pukul jam saat'.split(' ');

/** Whether a.m. is behind a digit; before the time it is another word: Welsh “am 12:30” is “at 12:30”. */
const isBehindDigit = (text: string, at: number): boolean => /\d/.test(text.slice(0, at));

/** The word for a time of day in a text, the hours it is used for, and the text without it. */
function periodIn(plan: TimePlan, text: string): readonly [hours: number, rest: string] | undefined {
  const letter = /[\p{L}\p{M}]/u;
  for (const [word, hours] of plan.periods) {
    const at = text.indexOf(word);
    if (at < 0 || (latinHalf.test(word) && !isBehindDigit(text, at))) continue;
    const isInside = letter.test(text[at - 1] ?? '') || letter.test(text[at + word.length] ?? '');
    // `am` is part of `malam` and of `akşam`; only scripts without spaces have words inside of others.
    if (!isInside || unspaced.test(word))
      return [hours, `${text.slice(0, at)} ${text.slice(at + word.length)}`];
  }
  const latin = latinHalf.exec(text);
  return latin && isBehindDigit(text, latin.index)
    ? [latin[1] === 'a' ? 0xfff : 0xfff000, text.replace(latin[0], ' ')]
    : undefined;
}

/**
 * Reads a time in another notation: RFC 3339, `2.30 pm`, `14h30`, `晚上8:10`, and what the locale writes in
 * twelve or twenty-four hours. A time that could be in either half of the day, or that contradicts its word,
 * is rejected.
 */
export function readTime(plan: TimePlan, given: string): Parsed | undefined {
  if (given.length > 200) return undefined;
  const text = [...given.replace(/[\s\u202f\u00a0]/gu, ' ')]
    .map(fold)
    .join('')
    .trim()
    .toLowerCase()
    .replace(/[‘’ʼ]/g, "'");
  const stamp = stampForm.exec(text.toUpperCase())?.[0] ?? '';
  // Some locales write dates as in ISO 8601, with a.m. or p.m. after the time.
  const behind = text.slice(stamp.length);
  const period = periodIn(plan, behind);
  const body = (period ? period[1] : behind).trim();
  const zone = stamp ? (/(?:z|[+-]\d\d:?\d\d)$/.exec(body)?.[0] ?? '') : '';
  const clock = body.slice(0, body.length - zone.length).replace(/([:.]\d\d[:.]\d\d)[.,]\d+/, '$1');
  const numbers = clock.match(/\d+/g) ?? [];
  const [h = '', m, s = '00'] = numbers;
  if (!h || numbers.length > 3 || numbers.some((n) => n.length > 2)) return undefined;
  const words = clock.match(/[\p{L}\p{M}’']+/gu) ?? [];
  const isHour = words.some((word) => hourWords.includes(word) || plan.hours.includes(word));
  if (numbers.slice(1).some((n) => n.length < 2) || (m === undefined && !period && !isHour)) return undefined;
  // With seconds, hours and minutes alone are the beginning of a time.
  if (plan.second >= 0 && numbers.length === 2 && !words.length && !period && !stamp) return undefined;
  // Digits and the separators between them belong together; a minus or a slash makes it something else.
  const between = clock.slice(clock.indexOf(h) + h.length, clock.lastIndexOf(numbers.at(-1)!));
  if (/[-/+]/.test(between)) return undefined;
  const other = words.filter(
    (word) => ![plan.units, plan.hours, hourWords, besideTimes].some((words) => words.includes(word)),
  );
  // A word that is none of these, between the numbers, makes them something else than an hour and a minute.
  if (other.some((word) => between.includes(word))) return undefined;
  // The end of a day is its beginning on a clock.
  const isMidnight = h === '24' && !period && +(m ?? 0) === 0 && +s === 0;
  const hour = isMidnight ? 0 : hourOf(plan, +h, period?.[0], stamp !== '', other.length > 0);
  if (hour === undefined || +(m ?? 0) > 59 || +s > 59) return undefined;
  const lost = plan.second < 0 && s !== '00' ? s : '';
  const around = given.trim().slice(0, stamp.length) + (zone && given.trim().slice(-zone.length));
  return {
    texts: ordered(plan, hour, m ?? '00', s),
    leftOut: (around + other.join('')).replace(/[^\p{L}\p{N}]/gu, '') + lost,
  };
}

/** The hour of the day that is meant; `undefined` if not certain. */
function hourOf(
  plan: TimePlan,
  h: number,
  hours: number | undefined,
  isStamp: boolean,
  hasOther: boolean,
): number | undefined {
  if (h > 23) return undefined;
  if (hours === undefined) {
    const isCertain = isStamp || h > 12 || (h === 0 && !hasOther) || (plan.period < 0 && !hasOther);
    return isCertain ? h : undefined;
  }
  // Hours are written from 1 to 12, in some regions from 0 to 11, and in some as the hour of the day beside
  // a word.
  const both = h > 12 ? [h] : [h % 12, (h % 12) + 12];
  const meant = both.filter((hour) => hours & (1 << hour));
  if (meant.length || h > 12) return meant.length === 1 ? meant[0] : undefined;
  // People begin an evening an hour sooner than others, or end it later.
  const near = both.filter((hour) => [hour + 1, hour + 23].some((other) => hours & (1 << (other % 24))));
  return near.length === 1 ? near[0] : undefined;
}
