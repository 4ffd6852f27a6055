import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import { type Finding, passed, type Verdict } from '../../rules/finding.ts';
import type { Check } from '../../rules/rule.ts';
import { fold } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { closeAll, layParts, type Parsed, type PartsBody, type PartsPlan, padded } from '../editing/parts.ts';
import { partsKind } from '../editing/parts-editing.ts';

export interface TimePlan extends PartsPlan {
  readonly kind: 'time';
  /** Index of the hour in the parts. Each index is -1 if the part is missing. */
  readonly hour: number;
  readonly minute: number;
  readonly second: number;
  readonly period: number;
  /**
   * Every word the locale uses for a time of day, in lower case, the longest first, with the hours it is used
   * for as bits (bit 20 for eight in the evening). Some locales have more than two halves: `晚上` is not `下午`.
   */
  readonly periods: readonly (readonly [word: string, hours: number])[];
  /** Other words in a time, in lower case: the units of hours, minutes and seconds. */
  readonly units: readonly string[];
  /** Of these, the words for hours. */
  readonly hours: readonly string[];
}

const lay = (plan: TimePlan, texts: readonly string[]): PartsBody => layParts(plan, texts);

const close = (plan: TimePlan, part: number, text: string): string =>
  itemAt(plan.parts, part).words ? text : padded(plan, part, text);

const two = (n: number): string => `${n}`.padStart(2, '0');

/** The parts in the plan's order, from the hour of the day and `minute` and `second` as two digits. */
function ordered(plan: TimePlan, hour: number, minute: string, second: string): string[] {
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
const hourWords = "h hrs hours uhr o'clock 点 點 时 時 시".split(' ');
/** Other units, and words that come before a time. */
const besideTimes = 'min s 分 秒 분 초 at um om kl klo à às las a alle ore godz o v в pukul jam saat'.split(
  ' ',
);

/** The word for a time of day in a text, the hours it is used for, and the text without it. */
function periodIn(plan: TimePlan, text: string): readonly [hours: number, rest: string] | undefined {
  const letter = /[\p{L}\p{M}]/u;
  for (const [word, hours] of plan.periods) {
    const at = text.indexOf(word);
    if (at < 0) continue;
    const isInside = letter.test(text[at - 1] ?? '') || letter.test(text[at + word.length] ?? '');
    // `am` is part of `malam` and of `akşam`; only scripts without spaces have words inside of others.
    if (!isInside || unspaced.test(word))
      return [hours, `${text.slice(0, at)} ${text.slice(at + word.length)}`];
  }
  const latin = latinHalf.exec(text);
  return latin ? [latin[1] === 'a' ? 0xfff : 0xfff000, text.replace(latin[0], ' ')] : undefined;
}

/**
 * Reads a time in another notation: RFC 3339, `2.30 pm`, `14h30`, `晚上8:10`, and what the locale writes in
 * twelve or twenty-four hours. A time that could be in either half of the day, or that contradicts its word,
 * is rejected.
 */
function parse(plan: TimePlan, given: string): Parsed | undefined {
  if (given.length > 200) return undefined;
  const text = [...given.replace(/[\s\u202f\u00a0]/gu, ' ')]
    .map(fold)
    .join('')
    .trim()
    .toLowerCase()
    .replace(/[‘’ʼ]/g, "'");
  const stamp = stampForm.exec(text.toUpperCase())?.[0] ?? '';
  const period = stamp ? undefined : periodIn(plan, text);
  const body = (period ? period[1] : text.slice(stamp.length)).trim();
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

const editing = partsKind<TimePlan, PartsBody>({
  lay,
  parse,
  close,
  // Minutes have two digits: `20:` in a field with twelve hours is not `02:0` with a separator.
  canClose: (plan, part) => part === plan.hour || part === plan.period,
  isWhole: (text) => /\p{L}/u.test(text) || (text.match(/\d+/g) ?? []).length > 2,
});

/** Hours of the day that the field can still become. */
function hours(plan: TimePlan, { texts }: PartsBody): readonly number[] {
  const text = itemAt(texts, plan.hour);
  const half = plan.period < 0 ? '' : itemAt(texts, plan.period);
  const halves = plan.period < 0 ? [] : itemAt(plan.parts, plan.period).words!;
  const all: number[] = [];
  for (let hour = 0; hour < 24; hour++) {
    const n = plan.period < 0 ? hour : hour % 12 || 12;
    const isHalf = !half || half === halves[hour < 12 ? 0 : 1];
    if (isHalf && (two(n).startsWith(text) || `${n}` === text)) all.push(hour);
  }
  return all;
}

function value(plan: TimePlan, body: PartsBody): string | null {
  if (!body.complete) return null;
  const { texts } = body;
  const [hour] = hours(plan, body);
  if (hour === undefined) return null;
  const time = `${two(hour)}:${texts[plan.minute]}`;
  return plan.second < 0 ? time : `${time}:${texts[plan.second]}`;
}

const withSeconds = (time: string): string => (time.length === 5 ? `${time}:00` : time);

const shown = (plan: TimePlan, time: string): string =>
  time && lay(plan, ordered(plan, +time.slice(0, 2), time.slice(3, 5), time.slice(6) || '00')).display;

function validate(plan: TimePlan, body: PartsBody, check: Check): Finding | undefined {
  if (check.type !== 'range') return undefined;
  const { min = '', max = '' } = check;
  const data = { min: shown(plan, min), max: shown(plan, max) };
  const say = (verdict: Verdict, code: string): Finding => ({ verdict, code, data });
  const low = min && withSeconds(min);
  const high = max && withSeconds(max);
  const minute = itemAt(body.texts, plan.minute);
  const spans = hours(plan, body).map((hour) => [
    `${two(hour)}:${minute.padEnd(2, '0')}:00`,
    `${two(hour)}:${minute.padEnd(2, '9')}:59`,
  ]);
  const time = value(plan, body);
  if (time !== null) {
    if (low && withSeconds(time) < low) return say('fail', 'below-min');
    return high && withSeconds(time) > high ? say('fail', 'above-max') : passed;
  }
  if (spans.some(([from, to]) => (!low || to! >= low) && (!high || from! <= high)))
    return say('open', min ? 'below-min' : 'above-max');
  return say('fail', low && spans.every(([, to]) => to! < low) ? 'below-min' : 'above-max');
}

/** Kind `time`. The value is ISO 8601: `14:30` or `14:30:00`. */
export const time: Kind<TimePlan, PartsBody> = {
  adornments: ['part-labels'],
  ...editing,
  raw: (_, body) => body.content,
  value,
  hasRoom: (_, body) => !body.complete,
  parse(plan, text) {
    const match = /^([01]\d|2[0-3]):([0-5]\d)(?::([0-5]\d))?$/.exec(text);
    if (!match) return editing.parse(plan, text);
    const body = lay(plan, ordered(plan, +itemAt(match, 1), itemAt(match, 2), match[3] ?? '00'));
    return { ...editing.caretAtEnd(plan, body), leftOut: '', rejected: null };
  },
  readText: (plan, text) => editing.insert(plan, editing.empty(plan), 0, 0, text),
  reduce: reduceResting,
  normalizeOnBlur: (plan, body) => closeAll(plan, body, close, lay),
  step: (plan, body, caret, by) =>
    editing.stepped(plan, body, caret, by, (part) => itemAt(plan.parts, part)[by > 0 ? 'low' : 'high']),
  validate,
};
