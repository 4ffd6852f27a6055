import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import type { EditResult, Reason } from '../../field/text-state.ts';
import { type Finding, passed } from '../../rules/finding.ts';
import type { Check } from '../../rules/rule.ts';
import { fold, localized } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { made } from '../../values/made.ts';
import { locate, type Parsed } from '../editing/parts.ts';
import { partsKind } from '../editing/parts-editing.ts';
import type { DurationBody, DurationPlan } from './plan.ts';
import { type ReadDuration, readDuration } from './read-duration.ts';

/** The text state of these parts. A unit appears with its number. */
function lay(plan: DurationPlan, texts: readonly string[]): DurationBody {
  const { between, digits } = plan;
  const at: number[] = [];
  let display = '';
  let content = '';
  for (const [i, text] of texts.entries()) {
    if (text && display) display += ' ';
    at.push(display.length);
    if (text) display += localized(digits, text.replace('.', plan.decimal)) + itemAt(between, i + 1);
    // The unit distinguishes hours alone from minutes alone.
    if (text) content += text + (i === plan.hour ? 'h' : '');
  }
  // A decimal point whose hours were removed has no meaning yet.
  return { content, display, complete: texts.some((text) => text !== '' && text !== '.'), texts, at };
}

/** The state with empty hours and the caret after them: the result of typing only their unit. */
function passedBy(plan: DurationPlan): DurationBody {
  const display = `${itemAt(plan.between, 1).trimStart()} `;
  return { content: '', display, complete: false, texts: plan.parts.map(() => ''), at: [0, display.length] };
}

/** The whole minutes of the parts; every fraction of an hour that can be typed is whole minutes. */
const minutesOf = (plan: DurationPlan, { texts }: DurationBody): number =>
  // A decimal point alone is not a number; it counts as 0.
  Math.round((Number(texts[plan.hour] ?? 0) || 0) * 60) + Number(texts[plan.minute] ?? 0);

/**
 * Hours as they can be typed: three digits with decimals, so that deleting the separator leaves valid hours.
 * A second decimal is 0 or 5.
 */
const isHours = (text: string): boolean => /^(?:\d{1,3}|\d{0,2}\.\d?|\d?\.\d[05])$/.test(text);

/** The parts for whole minutes. */
function ordered(plan: DurationPlan, minutes: number): string[] {
  const texts = plan.parts.map(() => '');
  if (plan.hour < 0) texts[plan.minute] = `${minutes}`;
  else if (plan.minute < 0) texts[plan.hour] = `${minutes / 60}`;
  else {
    // Minutes that do not fit the hours stay minutes.
    const hours = Math.min(Math.floor(minutes / 60), itemAt(plan.parts, plan.hour).high);
    const rest = minutes - hours * 60;
    if (hours) texts[plan.hour] = `${hours}`;
    if (rest || !hours) texts[plan.minute] = `${rest}`;
  }
  return texts;
}

/** A whole text as parts, if the field can hold what it says. */
function parse(plan: DurationPlan, given: string): Parsed | undefined {
  const read = readDuration(plan, given);
  if (!read) return undefined;
  const [hours = '', minutes = ''] = read.written ?? [];
  // A bare number that has too many digits goes where it would be typed.
  if (/^\d+$/.test([...given].map(fold).join('').trim()) && !hold(plan, ownTextsOf(plan, hours, minutes)))
    return undefined;
  return held(plan, read);
}

const ownTextsOf = (plan: DurationPlan, hours: string, minutes: string): readonly string[] =>
  plan.parts.map((_, i) => (i === plan.hour ? hours : minutes));

/** The parts for a duration: as written if the field can hold that. */
function held(plan: DurationPlan, { minutes, written }: ReadDuration): Parsed | undefined {
  const [h = '', min = ''] = written ?? [];
  const hours = h.includes('.') ? h.replace(/0+$/, '').replace(/\.$/, '') : h.replace(/^0+(?=\d{3})/, '');
  const own = ownTextsOf(plan, hours, min);
  const isOwn =
    (hours || min) &&
    (plan.hour >= 0 || !hours) &&
    (plan.minute >= 0 || !min) &&
    !(hours.includes('.') && min) &&
    hold(plan, own);
  const texts = isOwn ? own : ordered(plan, minutes);
  return hold(plan, texts) ? { texts, leftOut: '' } : undefined;
}

/** Index of the unit a letter begins; -1 for none. */
const unitOf = (plan: DurationPlan, c: string): number =>
  c === 'h' ? plan.hour : c === 'm' ? plan.minute : -1;

/**
 * Handles unit letters: `m` after hours turns them into minutes and `h` after minutes into hours, a separator
 * passes hours, a decimal separator begins a fraction. What does not belong to the number before it is
 * refused.
 */
function letter(
  plan: DurationPlan,
  body: DurationBody,
  caret: number,
  c: string,
): EditResult<DurationBody> | Reason {
  const place = placeOf(plan, body, caret);
  if (c === '.' || c === ',' || c === plan.decimal) return point(plan, body, caret, place);
  return converted(plan, body, place, c) ?? passedOver(plan, body, caret, place, c) ?? 'not-accepted';
}

/** Where the caret is. */
interface Place {
  readonly part: number;
  readonly text: string;
  /** Whether it is right after the digits of a part, and whether all other parts are empty. */
  readonly isEnd: boolean;
  readonly isAlone: boolean;
  readonly isTwo: boolean;
}

function placeOf(plan: DurationPlan, body: DurationBody, caret: number): Place {
  const { part, index } = locate(body, caret);
  const text = itemAt(body.texts, part);
  const isEnd = text !== '' && index === text.length;
  const isAlone = isEnd && body.texts.every((other, i) => i === part || !other);
  return { part, text, isEnd, isAlone, isTwo: plan.parts.length > 1 };
}

/** Handles a decimal separator; after a unit it is the full stop of an abbreviation. */
function point(
  plan: DurationPlan,
  body: DurationBody,
  caret: number,
  { part, text, isEnd, isAlone }: Place,
): EditResult<DurationBody> | Reason {
  if (body.named !== undefined && (text === '' || (isEnd && body.named === part))) return { body, caret };
  if (!isAlone || body.ended || plan.hour < 0 || text.includes('.') || text.length > 2) return 'not-accepted';
  const after = lay(
    plan,
    plan.parts.map((_, i) => (i === plan.hour ? `${text}.` : '')),
  );
  return { body: after, caret: itemAt(after.at, plan.hour) + text.length + 1 };
}

/** A number that was begun in one unit and turns out to be in the other. */
function converted(
  plan: DurationPlan,
  body: DurationBody,
  { part, text, isEnd, isAlone, isTwo }: Place,
  c: string,
): EditResult<DurationBody> | undefined {
  if (!isTwo || body.named !== undefined) return undefined;
  const unit = unitOf(plan, c);
  const hours = itemAt(body.texts, plan.hour);
  const isAfterHours = hours !== '' && !body.texts[plan.minute] && (isEnd || part === plan.minute);
  if (isAfterHours && unit === plan.minute && !hours.includes('.')) {
    const after = lay(plan, ['', hours]);
    return { body: { ...after, named: plan.minute }, caret: itemAt(after.at, 1) + hours.length };
  }
  if (isAlone && part === plan.minute && (unit === plan.hour || c === ':') && text.length <= 3) {
    const after = lay(plan, [text, '']);
    return { body: { ...after, named: plan.hour }, caret: after.display.length };
  }
  return undefined;
}

/** Handles the unit of the number before the caret, a letter of it, or a separator. */
function passedOver(
  plan: DurationPlan,
  body: DurationBody,
  caret: number,
  { part, text, isEnd, isTwo }: Place,
  c: string,
): EditResult<DurationBody> | undefined {
  if (isTwo && !body.content) {
    if (unitOf(plan, c) !== plan.hour && c !== ':') return undefined;
    const after = passedBy(plan);
    return { body: after, caret: after.display.length };
  }
  const isHours = isTwo && part === plan.hour;
  const behind = isHours && isEnd ? (body.texts[1] ? itemAt(body.at, 1) : body.display.length) : caret;
  if (c === ' ') {
    if (isHours && isEnd) return { body, caret: behind };
    return text || isTwo ? { body: isEnd ? { ...body, ended: true } : body, caret } : undefined;
  }
  if (c === ':') return isHours && isEnd ? { body: { ...body, named: part }, caret: behind } : undefined;
  // Right after hours that were passed, letters belong to their unit.
  const named = isEnd ? part : isTwo && part === plan.minute && !text ? plan.hour : undefined;
  if (
    named === undefined ||
    !itemAt(plan.between, named + 1)
      .toLowerCase()
      .includes(c)
  )
    return undefined;
  return { body: { ...body, named }, caret: behind };
}

/** Whether no digit may follow: the number before the caret ended with its unit or a space. */
function isClosed(plan: DurationPlan, body: DurationBody, caret: number): boolean {
  const last = plan.parts.length - 1;
  if (body.named !== last && !body.ended) return false;
  const { part, index } = locate(body, caret);
  return part === last && index === itemAt(body.texts, part).length;
}

/** Whether a digit is possible: fractions of an hour stay whole minutes and exclude minutes. */
function takes(plan: DurationPlan, texts: readonly string[], part: number, next: string): boolean {
  if (part === plan.hour) return !next.includes('.') || isHours(next);
  return !texts[plan.hour]?.includes('.');
}

const editing = /*#__PURE__*/ partsKind<DurationPlan, DurationBody>({
  lay,
  parse,
  close: (_, __, text) => text,
  letter,
  takes,
  isClosed,
  // Anything but digits and spaces has a meaning; a decimal separator without more is the beginning of one.
  isWhole: (text) => /[^\d\s.,]|[.,]\d|[.,].*[.,]/.test(text.trim()),
  first: (plan) => plan.bare,
});

/** Whether the digits fit into the parts. */
const hold = (plan: DurationPlan, texts: readonly string[]): boolean =>
  texts.every((text, i) => (text.includes('.') ? isHours(text) : text.length <= itemAt(plan.parts, i).size));

const shown = (plan: DurationPlan, minutes: string): string =>
  minutes && lay(plan, ordered(plan, +minutes)).display;

function validate(plan: DurationPlan, body: DurationBody, check: Check): Finding | undefined {
  if (check.type !== 'range') return undefined;
  const { min = '', max = '', step = '' } = check;
  const minutes = minutesOf(plan, body);
  const data = { min: shown(plan, min), max: shown(plan, max), step: shown(plan, step) };
  const room = hasRoom(plan, body) ? 'open' : 'fail';
  if (min && minutes < +min) return { verdict: room, code: 'below-min', data };
  if (max && minutes > +max) return { verdict: 'fail', code: 'above-max', data };
  if (step && minutes % +step) return { verdict: room, code: 'off-step', data };
  return passed;
}

const hasRoom = (plan: DurationPlan, { texts }: DurationBody): boolean =>
  texts.at(-1)!.length < plan.parts.at(-1)!.size;

/** The parts of a raw value; `undefined` if it is none of this field. */
function ownTexts(plan: DurationPlan, raw: string): string[] | undefined {
  const match = /^(?:(\d{1,3}(?:\.\d{0,2})?|\.\d{0,2})h)?(\d{0,4})$/.exec(raw);
  // Decimal hours contain the minutes already: no separate minutes may follow.
  if (!match || !raw || (match[1]?.includes('.') && match[2])) return undefined;
  const texts = plan.parts.map((_, i) => (i === plan.hour ? (match[1] ?? '') : itemAt(match, 2)));
  return hold(plan, texts) && lay(plan, texts).content === raw ? texts : undefined;
}

/** The parts as a person would write them: 90 minutes become 1 hour 30. Empty passed hours disappear. */
function settled(plan: DurationPlan, body: DurationBody): DurationBody {
  if (!body.content) return body.display ? lay(plan, body.texts) : body;
  if (!body.complete)
    return lay(
      plan,
      plan.parts.map(() => ''),
    );
  const texts =
    plan.minute < 0
      ? [
          itemAt(body.texts, 0)
            .replace(/(\.\d*?)0+$/, '$1')
            .replace(/\.$/, ''),
        ]
      : ordered(plan, minutesOf(plan, body));
  const next = lay(plan, texts);
  return !hold(plan, texts) || next.content === body.content ? body : next;
}

/** The kind `duration`: the value is whole minutes. */
export const duration: Kind<DurationPlan, DurationBody> = /*#__PURE__*/ made(
  (): Kind<DurationPlan, DurationBody> => ({
    adornments: () => ['unit-labels'],
    ...editing,
    raw: (_, body) => body.content,
    value: (plan, body) => (body.complete ? `${minutesOf(plan, body)}` : null),
    hasRoom,
    parse(plan, text) {
      const own = ownTexts(plan, text);
      if (own) return { ...editing.caretAtEnd(plan, lay(plan, own)), leftOut: '', rejected: null };
      // A value: whole minutes.
      const isMinutes = /^\d{1,9}$/.test(text) && (plan.minute >= 0 || +text % 3 === 0);
      const texts = isMinutes ? ordered(plan, +text) : undefined;
      if (!texts || !hold(plan, texts))
        return editing.insert(
          plan,
          lay(
            plan,
            plan.parts.map(() => ''),
          ),
          0,
          0,
          text,
        );
      return { ...editing.caretAtEnd(plan, lay(plan, texts)), leftOut: '', rejected: null };
    },
    reduce: reduceResting,
    normalizeOnBlur: settled,
    toResting: (plan, body) => ({ ...settled(plan, body), content: body.content }),
    toEditing: (plan, body) => (body.content ? lay(plan, ownTexts(plan, body.content)!) : body),
    step: (plan, body, caret, by) => editing.stepped(plan, body, caret, by, () => 0, 1),
    validate,
  }),
);
