import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import type { CheckContext } from '../../rules/checks.ts';
import { type Finding, incomplete, passed, type Verdict } from '../../rules/finding.ts';
import type { Check } from '../../rules/rule.ts';
import { isoWeek, resolve, weekday } from '../../values/calendar.ts';
import { itemAt } from '../../values/item-at.ts';
import { made } from '../../values/made.ts';
import { close as closeDate } from '../date/read-date.ts';
import { date as dates, isOwnDate, isoOf, possible } from '../date/run.ts';
import { stepDate } from '../date/step.ts';
import { closeAll, layParts, type PartsBody, type PartsPlan } from '../editing/parts.ts';
import { partsKind } from '../editing/parts-editing.ts';
import { close as closeTime, hours, time as times } from '../time/run.ts';
import type { DateTimePlan } from './plan.ts';
import { momentForm, partsOf, readDateTime, withDate } from './read-date-time.ts';

export type { DateTimePlan } from './plan.ts';

const lay = (plan: PartsPlan, texts: readonly string[]): PartsBody => layParts(plan, texts);

const isOfDate = ({ dateAt, date }: DateTimePlan, part: number): boolean =>
  part >= dateAt && part < dateAt + date.parts.length;

const close = (plan: DateTimePlan, part: number, text: string): string =>
  isOfDate(plan, part)
    ? closeDate(plan.date, part - plan.dateAt, text)
    : closeTime(plan.time, part - plan.timeAt, text);

/** The date of a text state, and its time, each by itself. */
const dateOf = ({ date, dateAt }: DateTimePlan, { texts }: PartsBody): PartsBody =>
  lay(date, texts.slice(dateAt, dateAt + date.parts.length));
const timeOf = ({ time, timeAt }: DateTimePlan, { texts }: PartsBody): PartsBody =>
  lay(time, texts.slice(timeAt, timeAt + time.parts.length));

const editing = /*#__PURE__*/ partsKind<DateTimePlan, PartsBody>({
  lay,
  parse: readDateTime,
  close,
  canClose: (plan, part) => isOfDate(plan, part) || part === plan.timeAt + plan.time.hour,
  isOwn: (plan, body) => isOwnDate(plan.date, dateOf(plan, body)),
  // Two groups of digits are no beginning that is typed key by key.
  isWhole: (text) => /\p{L}/u.test(text) || (text.match(/\d+/g) ?? []).length > 1,
});

function value(plan: DateTimePlan, body: PartsBody): string | null {
  if (!body.complete) return null;
  const day = dates.value(plan.date, dateOf(plan, body));
  const time = times.value(plan.time, timeOf(plan, body));
  return day !== null && time !== null ? `${day}T${time}` : null;
}

/** A moment as the field shows it without focus. */
const shown = (plan: DateTimePlan, moment: string): string =>
  moment && toResting(plan, lay(plan, partsOf(plan, moment))).display;

/** First and last time of day that the typed parts can still become. */
function timesLeft(plan: DateTimePlan, body: PartsBody): readonly [first: string, last: string][] {
  const time = timeOf(plan, body);
  const minute = itemAt(time.texts, plan.time.minute);
  return hours(plan.time, time).map((hour) => {
    const two = `${hour}`.padStart(2, '0');
    return [`${two}:${minute.padEnd(2, '0')}`, `${two}:${minute.padEnd(2, '9').replace(/^[6-9]/, '5')}`];
  });
}

/** Whether some moment the parts can still become is on this day, not before `min` and not after `max`. */
function isPossibleOn(plan: DateTimePlan, body: PartsBody, day: string, min: string, max: string): boolean {
  if (!possible(plan.date, dateOf(plan, body), day, day).inside) return false;
  return timesLeft(plan, body).some(
    ([first, last]) => (!min || `${day}T${last}` >= min) && (!max || `${day}T${first}` <= max),
  );
}

/** Whether the parts can still become a moment from `min` to `max`; either may be empty for no limit. */
function canBeWithin(plan: DateTimePlan, body: PartsBody, min: string, max: string): boolean {
  const date = dateOf(plan, body);
  const [first, last] = [min.slice(0, 10), max.slice(0, 10)];
  // On a day strictly between the limits every time is inside.
  const [after, before] = [first && resolveBy(first, 1), last && resolveBy(last, -1)];
  const isBetween = !after || !before || after <= before;
  if (isBetween && timesLeft(plan, body).length > 0 && possible(plan.date, date, after, before).inside)
    return true;
  return [first, last].some((day) => day !== '' && isPossibleOn(plan, body, day, min, max));
}

const resolveBy = (day: string, days: 1 | -1): string =>
  resolve(days > 0 ? 'today+1d' : 'today-1d', day) ?? day;

/** A limit as a moment: a day relative to the clock from its first minute, as an upper limit to its last. */
function limitOf(limit: string | undefined, today: string, time: string): string {
  if (!limit || momentForm.test(limit)) return limit ?? '';
  const day = resolve(limit, today);
  return day ? `${day}T${time}` : '';
}

function validate(
  plan: DateTimePlan,
  body: PartsBody,
  check: Check,
  given: CheckContext,
): Finding | undefined {
  if (check.type === 'complete') {
    const ofDate = dates.validate?.(plan.date, dateOf(plan, body), check, given);
    if (ofDate?.verdict === 'fail') return ofDate;
    return body.complete ? passed : incomplete;
  }
  if (check.type !== 'range') return undefined;
  const [min, max] = [limitOf(check.min, given.today, '00:00'), limitOf(check.max, given.today, '23:59')];
  const say = (verdict: Verdict, code: string): Finding => ({
    verdict,
    code,
    data: { min: shown(plan, min), max: shown(plan, max) },
  });
  const moment = value(plan, body);
  if (moment !== null) {
    if (min && moment < min) return say('fail', 'below-min');
    return max && moment > max ? say('fail', 'above-max') : passed;
  }
  // A date that does not exist is reported as that.
  if (!possible(plan.date, dateOf(plan, body), '', '').any) return passed;
  if (canBeWithin(plan, body, min, max)) return say('open', min ? 'below-min' : 'above-max');
  const isBelow = min !== '' && !canBeWithin(plan, body, min, '');
  return say('fail', isBelow || !max ? 'below-min' : 'above-max');
}

function toResting(plan: DateTimePlan, body: PartsBody): PartsBody {
  if (plan.joint === '' || value(plan, body) === null) return lay(plan, body.texts);
  const date = dates.toResting!(plan.date, dateOf(plan, body)).display;
  return { ...body, display: `${date}${plan.joint}${timeOf(plan, body).display}` };
}

/** The kind `date-time`: a local date with a time of day. The value is ISO 8601: `2027-02-14T16:30`. */
export const dateTime: Kind<DateTimePlan, PartsBody> = /*#__PURE__*/ made(
  (): Kind<DateTimePlan, PartsBody> => ({
    // Where the time comes first, a day alone cannot be typed.
    adornments: ({ dateAt }) => (dateAt === 0 ? ['calendar', 'part-labels'] : ['part-labels']),
    withDay: (plan, { texts }, day) => lay(plan, withDate(plan, texts, day)).content,
    ...editing,
    raw: (_, body) => body.content,
    value,
    hasRoom: (_, body) => !body.complete,
    parse(plan, text) {
      const date = momentForm.test(text) ? resolve(text.slice(0, 10), '') : undefined;
      if (!date) return editing.parse(plan, text);
      const body = lay(plan, partsOf(plan, text));
      return { ...editing.caretAtEnd(plan, body), leftOut: '', rejected: null };
    },
    reduce: reduceResting,
    normalizeOnBlur: (plan, body) => closeAll(plan, body, close, lay),
    toResting,
    toEditing: (plan, body) => lay(plan, body.texts),
    step: (plan, body, caret, by) =>
      stepDate({ lay, close, stepped: editing.stepped }, plan, body, caret, by),
    validate,
    facts(plan, body) {
      const moment = value(plan, body);
      if (moment === null) return {};
      const day = isoOf(plan.date, dateOf(plan, body));
      return { weekday: itemAt(plan.date.weekdays, weekday(day)), week: isoWeek(day) };
    },
  }),
);
