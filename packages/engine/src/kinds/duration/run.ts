import type { Kind } from '../../field/kind.ts';
import { reduceResting } from '../../field/resting.ts';
import type { EditResult } from '../../field/text-state.ts';
import { type Finding, passed } from '../../rules/finding.ts';
import type { Check } from '../../rules/rule.ts';
import { fold, localized } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { locate, type Parsed, type PartsBody, type PartsPlan } from '../editing/parts.ts';
import { partsKind } from '../editing/parts-editing.ts';

/** A duration field, ready to run. */
export interface DurationPlan extends PartsPlan {
  readonly kind: 'duration';
  /** Index of hours and minutes, -1 for a unit the field does not have. */
  readonly hour: number;
  readonly minute: number;
  /** Index of the part for a number without unit. */
  readonly bare: number;
  /** The locale's decimal separator, for fractions of an hour. */
  readonly decimal: string;
}

/** The text state of these parts. A unit appears with its number. */
function lay(plan: DurationPlan, texts: readonly string[]): PartsBody {
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
function passedBy(plan: DurationPlan): PartsBody {
  const display = `${itemAt(plan.between, 1).trimStart()} `;
  return { content: '', display, complete: false, texts: plan.parts.map(() => ''), at: [0, display.length] };
}

/** The whole minutes of the parts; every fraction of an hour that can be typed is whole minutes. */
const minutesOf = (plan: DurationPlan, { texts }: PartsBody): number =>
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

const hourWords = 'h|hrs?|hours?|std\\.?|stunden?|heures?|horas?|ore';
const minuteWords = "m|mins?|minutes?|minuten|minutos|minuti|′|'";
const clockForm = /^(\d{1,4}):(\d{2})$/;
const unitForm = new RegExp(
  `^(?:pt)?(?:(\\d{1,4}(?:[.,]\\d{1,4})?)\\s*(?:${hourWords})(?![a-z])\\s*)?(?:(\\d{1,4})\\s*(?:(${minuteWords})(?![a-z])\\.?)?)?$`,
  'i',
);

/**
 * Reads `90 min`, `1h30`, `1:30`, `1.5h`, `1,5 h`, ISO 8601 (`PT1H30M`), and units by the first letters of
 * their words in several languages. A number without unit has the unit of the plan.
 */
function parse(plan: DurationPlan, given: string): Parsed | undefined {
  if (given.length > 100) return undefined;
  const text = [...given]
    .map(fold)
    .join('')
    .trim()
    .replace(/^(\d+[.,]?\d*)(?:h)(?=\d)/i, '$1 h ');
  const clock = clockForm.exec(text);
  if (clock) return +itemAt(clock, 2) < 60 ? held(plan, itemAt(clock, 1), itemAt(clock, 2)) : undefined;
  const match = unitForm.exec(text) ?? /^(\d{1,4}[.,]\d{1,4})()$/.exec(text);
  if (!match || !(match[1] || match[2])) return undefined;
  const [, h = '', min = '', unit] = match;
  // A bare number goes where it would be typed; digits that do not fit are left out, as key by key.
  if (!h && !unit && plan.bare === plan.hour)
    return min.length <= itemAt(plan.parts, plan.hour).size ? held(plan, min, '') : undefined;
  return held(plan, h.replace(',', '.'), min);
}

/** The parts for hours (with fractions) and minutes as written, if the field can hold them. */
function held(plan: DurationPlan, h: string, min: string): Parsed | undefined {
  const hours = h.replace(/(\.\d*?)0+$/, '$1').replace(/\.$/, '');
  const minutes = Number(hours) * 60 + Number(min);
  const whole = Math.round(minutes);
  if (Math.abs(minutes - whole) > 1e-6 || (hours.includes('.') && min)) return undefined;
  const own = plan.parts.map((_, i) => (i === plan.hour ? hours : min));
  const isOwn = (plan.hour >= 0 || !hours) && (plan.minute >= 0 || !min) && hold(plan, own);
  const texts = isOwn ? own : ordered(plan, whole);
  return hold(plan, texts) ? { texts, leftOut: '' } : undefined;
}

/** Index of the unit a letter begins; -1 for none. */
const unitOf = (plan: DurationPlan, c: string): number =>
  c === 'h' ? plan.hour : c === 'm' ? plan.minute : -1;

/**
 * Handles unit letters: `m` after hours turns them into minutes and `h` after minutes into hours, a separator
 * passes hours, a decimal separator begins a fraction.
 */
function letter(
  plan: DurationPlan,
  body: PartsBody,
  caret: number,
  c: string,
): EditResult<PartsBody> | undefined {
  const { part, index } = locate(body, caret);
  const text = itemAt(body.texts, part);
  const unit = unitOf(plan, c);
  const isEnd = text !== '' && index === text.length;
  const isAlone = isEnd && body.texts.every((other, i) => i === part || !other);
  const isPoint = c === '.' || c === ',' || c === plan.decimal;
  if (isPoint) {
    if (!isAlone || plan.hour < 0 || text.includes('.') || text.length > 2) return undefined;
    const after = lay(
      plan,
      plan.parts.map((_, i) => (i === plan.hour ? `${text}.` : '')),
    );
    return { body: after, caret: itemAt(after.at, plan.hour) + text.length + 1 };
  }
  const hasMoved = isAlone && plan.parts.length > 1 && !text.includes('.');
  if (hasMoved && unit === plan.minute && unit >= 0 && part === plan.hour) {
    const after = lay(plan, ['', text]);
    return { body: after, caret: itemAt(after.at, 1) + text.length };
  }
  if (hasMoved && part === plan.minute && (unit === plan.hour || c === ':') && text.length <= 3) {
    const after = lay(plan, [text, '']);
    return { body: after, caret: after.display.length };
  }
  if (plan.parts.length > 1 && !body.content && (unit === 0 || c === ':' || c === ' ')) {
    const after = passedBy(plan);
    return { body: after, caret: after.display.length };
  }
  const isPassing = part === 0 && plan.parts.length > 1 && text !== '' && index === text.length;
  if (isPassing && (unit === 0 || c === ' ' || c === ':'))
    return { body, caret: body.texts[1] ? itemAt(body.at, 1) : body.display.length };
  return text !== '' && plan.between.some((fixed) => fixed.includes(c)) ? { body, caret } : undefined;
}

/** Whether a digit is possible: fractions of an hour stay whole minutes and exclude minutes. */
function takes(plan: DurationPlan, texts: readonly string[], part: number, next: string): boolean {
  if (part === plan.hour) return !next.includes('.') || isHours(next);
  return !texts[plan.hour]?.includes('.');
}

const editing = partsKind<DurationPlan, PartsBody>({
  lay,
  parse,
  close: (_, __, text) => text,
  letter,
  takes,
  isWhole: (text) => /\p{L}|\d[.,:]\d/u.test(text),
  first: (plan) => plan.bare,
});

/** Whether the digits fit into the parts. */
const hold = (plan: DurationPlan, texts: readonly string[]): boolean =>
  texts.every((text, i) => (text.includes('.') ? isHours(text) : text.length <= itemAt(plan.parts, i).size));

const shown = (plan: DurationPlan, minutes: string): string =>
  minutes && lay(plan, ordered(plan, +minutes)).display;

function validate(plan: DurationPlan, body: PartsBody, check: Check): Finding | undefined {
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

const hasRoom = (plan: DurationPlan, { texts }: PartsBody): boolean =>
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
function settled(plan: DurationPlan, body: PartsBody): PartsBody {
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
export const duration: Kind<DurationPlan, PartsBody> = {
  adornments: ['unit-labels'],
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
};
