import { around } from './around.ts';
import { type Finding, passed, type Verdict } from './finding.ts';
import { fold } from './graphemes.ts';
import type { Kind } from './kind.ts';
import {
  closeAll,
  layParts,
  type Parsed,
  type PartsBody,
  type PartsPlan,
  padded,
  partsKind,
} from './parts.ts';
import type { Check } from './plan.ts';

export interface TimePlan extends PartsPlan {
  readonly kind: 'time';
  /** Index of each part, -1 for one that is not there. */
  readonly hour: number;
  readonly minute: number;
  readonly second: number;
  readonly period: number;
}

const lay = (plan: TimePlan, texts: readonly string[]): PartsBody => layParts(plan, texts);

const close = (plan: TimePlan, part: number, text: string): string =>
  plan.parts[part]!.words ? text : padded(plan, part, text);

const two = (n: number): string => `${n}`.padStart(2, '0');

/** The parts from hours of the day, `minute` and `second` as two digits. */
function ordered(plan: TimePlan, hour: number, minute: string, second: string): string[] {
  const texts = plan.parts.map(() => '');
  texts[plan.hour] = two(plan.period < 0 ? hour : hour % 12 || 12);
  texts[plan.minute] = minute;
  if (plan.second >= 0) texts[plan.second] = second;
  if (plan.period >= 0) texts[plan.period] = plan.parts[plan.period]!.words![hour < 12 ? 0 : 1]!;
  return texts;
}

const form =
  /^(.*?)(?<!\d)(\d{1,2})(?:\s?[:.hH]\s?(\d{2})(?:[:.](\d{2}))?(?:[.,]\d+)?)?(?:\s?h)?(?!\d)(.*)$/su;

/** A time in another writing: RFC 3339, `2.30 pm`, `14h30`, with or without the locale's word for the half of the day. */
function parse(plan: TimePlan, given: string): Parsed | undefined {
  if (given.length > 200) return undefined;
  const text = [...given].map(fold).join('').trim();
  const stamp = /^\d{4}-\d\d-\d\d[T\s](?=\d)/u.exec(text)?.[0] ?? '';
  const match = form.exec(text.slice(stamp.length));
  if (!match) return undefined;
  const [, before = '', h = '', m, s = '00', after = ''] = match;
  const around = `${before} ${after}`.toLowerCase();
  const words = plan.period < 0 ? [] : plan.parts[plan.period]!.words!.map((word) => word.toLowerCase());
  const isMorning = /\ba\.?m\b/.test(around) || (words[0] && around.includes(words[0]));
  const isAfternoon = /\bp\.?m\b/.test(around) || (words[1] && around.includes(words[1]));
  if (m === undefined && !isMorning && !isAfternoon) return undefined;
  let hour = +h;
  if ((isMorning || isAfternoon) && hour === 0) return undefined;
  if ((isMorning || isAfternoon) && hour >= 1 && hour <= 12) hour = (hour % 12) + (isAfternoon ? 12 : 0);
  else if (plan.period >= 0 && !isMorning && !isAfternoon && hour <= 12 && !stamp) return undefined;
  if (hour > 23 || +(m ?? 0) > 59 || +s > 59) return undefined;
  let rest = around.replace(/\b[ap]\.?m\b\.?/, '');
  for (const word of words) rest = rest.replace(word, '');
  const lost = plan.second < 0 && s !== '00' ? s : '';
  return {
    texts: ordered(plan, hour, m ?? '00', s),
    leftOut: (stamp + rest).replace(/[^\p{L}\p{N}]/gu, '') + lost,
  };
}

const editing = partsKind<TimePlan, PartsBody>({
  lay,
  parse,
  close,
  isWhole: (text) => /\p{L}/u.test(text) || (text.match(/\d+/g) ?? []).length > 2,
});

/** Hours of the day a field in this state can still become. */
function hours(plan: TimePlan, { texts }: PartsBody): readonly number[] {
  const text = texts[plan.hour]!;
  const half = plan.period < 0 ? '' : texts[plan.period]!;
  const halves = plan.period < 0 ? [] : plan.parts[plan.period]!.words!;
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

function judge(plan: TimePlan, body: PartsBody, check: Check): Finding | undefined {
  if (check.type !== 'range') return undefined;
  const { min = '', max = '' } = check;
  const data = { min: shown(plan, min), max: shown(plan, max) };
  const say = (verdict: Verdict, code: string): Finding => ({ verdict, code, data });
  const low = min && withSeconds(min);
  const high = max && withSeconds(max);
  const minute = body.texts[plan.minute]!;
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

/** Kind `time`: value ISO 8601, `14:30` or `14:30:00`. */
export const time: Kind<TimePlan, PartsBody> = {
  ...editing,
  raw: (_, body) => body.content,
  value,
  hasRoom: (_, body) => !body.complete,
  read(plan, text) {
    const match = /^([01]\d|2[0-3]):([0-5]\d)(?::([0-5]\d))?$/.exec(text);
    if (!match) return editing.read(plan, text);
    const body = lay(plan, ordered(plan, +match[1]!, match[2]!, match[3] ?? '00'));
    return { ...editing.whole(plan, body), leftOut: '', rejected: null };
  },
  around,
  leave: (plan, body) => closeAll(plan, body, close, lay),
  step: (plan, body, caret, by) =>
    editing.stepped(plan, body, caret, by, (part) => plan.parts[part]![by > 0 ? 'low' : 'high']),
  judge,
};
