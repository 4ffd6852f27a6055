import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import { type Finding, passed, type Verdict } from '../../rules/finding.ts';
import type { Check } from '../../rules/rule.ts';
import { itemAt } from '../../values/item-at.ts';
import { made } from '../../values/made.ts';
import { closeAll, layParts, type PartsBody, padded } from '../editing/parts.ts';
import { partsKind } from '../editing/parts-editing.ts';
import type { TimePlan } from './plan.ts';
import { ordered, readTime, two } from './read-time.ts';

export type { TimePlan } from './plan.ts';

const lay = (plan: TimePlan, texts: readonly string[]): PartsBody => layParts(plan, texts);

export const close = (plan: TimePlan, part: number, text: string): string =>
  itemAt(plan.parts, part).words ? text : padded(plan, part, text);

const editing = /*#__PURE__*/ partsKind<TimePlan, PartsBody>({
  lay,
  parse: readTime,
  close,
  // Minutes have two digits: `20:` in a field with twelve hours is not `02:0` with a separator.
  canClose: (plan, part) => part === plan.hour || part === plan.period,
  isWhole: (text) => /\p{L}/u.test(text) || (text.match(/\d+/g) ?? []).length > 2,
});

/** Hours of the day that the field can still become. */
export function hours(plan: TimePlan, { texts }: PartsBody): readonly number[] {
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
export const time: Kind<TimePlan, PartsBody> = /*#__PURE__*/ made(
  (): Kind<TimePlan, PartsBody> => ({
    adornments: () => ['part-labels'],
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
    reduce: reduceResting,
    normalizeOnBlur: (plan, body) => closeAll(plan, body, close, lay),
    step: (plan, body, caret, by) =>
      editing.stepped(plan, body, caret, by, (part) => itemAt(plan.parts, part)[by > 0 ? 'low' : 'high']),
    validate,
  }),
);
