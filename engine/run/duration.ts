import { around } from './around.ts';
import { type Finding, passed } from './finding.ts';
import { fold, localized } from './graphemes.ts';
import type { Edited, Kind } from './kind.ts';
import { locate, type Parsed, type PartsBody, type PartsPlan, partsKind } from './parts.ts';
import type { Check } from './plan.ts';

export interface DurationPlan extends PartsPlan {
  readonly kind: 'duration';
  /** Index of the hours and of the minutes, -1 for a unit the field is not in. */
  readonly hour: number;
  readonly minute: number;
}

/** Each number with its unit behind it; a unit shows once its number does. */
function lay(plan: DurationPlan, texts: readonly string[]): PartsBody {
  const { between, digits } = plan;
  const at: number[] = [];
  let display = '';
  let content = '';
  for (const [i, text] of texts.entries()) {
    if (text && display) display += ' ';
    at.push(display.length);
    if (text) display += localized(digits, text) + between[i + 1]!;
    // Hours alone and minutes alone are told apart by the unit.
    if (text) content += text + (i === plan.hour ? 'h' : '');
  }
  return { content, display, complete: content !== '', texts, at };
}

/** No hours yet, and the caret past them: what typing their unit alone leads to. */
function passedBy(plan: DurationPlan): PartsBody {
  const display = `${plan.between[1]!.trimStart()} `;
  return { content: '', display, complete: false, texts: plan.parts.map(() => ''), at: [0, display.length] };
}

const minutesOf = (plan: DurationPlan, { texts }: PartsBody): number =>
  +(texts[plan.hour] ?? 0) * 60 + +(texts[plan.minute] ?? 0);

/** The parts for whole minutes; hours where there are any. */
function ordered(plan: DurationPlan, minutes: number): string[] {
  const texts = plan.parts.map(() => '');
  if (plan.hour < 0) texts[plan.minute] = `${minutes}`;
  else if (plan.minute < 0) texts[plan.hour] = `${Math.floor(minutes / 60)}`;
  else {
    // What the hours have no room for stays in minutes.
    const hours = Math.min(Math.floor(minutes / 60), plan.parts[plan.hour]!.high);
    const rest = minutes - hours * 60;
    if (hours) texts[plan.hour] = `${hours}`;
    if (rest || !hours) texts[plan.minute] = `${rest}`;
  }
  return texts;
}

/** ISO 8601 (`PT1H30M`), `1:30`, and numbers with units in the first letters of several languages' words for them. */
function parse(plan: DurationPlan, given: string): Parsed | undefined {
  if (given.length > 100) return undefined;
  const text = [...given].map(fold).join('').trim();
  const match =
    /^(?:PT)?(?:(\d{1,3})\s*(?::\s*(?=\d)|(?:h|hrs?|hours?|std\.?|stunden?|heures?|horas?|ore)(?![a-z])\s*|h(?=\d)))?(?:(\d{1,4})\s*(?:m|min|mins|minutes?|minuten|minutos|minuti)?\.?)?$/i.exec(
      text,
    );
  if (!match || (!match[1] && !match[2]) || /^\d+$/.test(text)) return undefined;
  const minutes = +(match[1] ?? 0) * 60 + +(match[2] ?? 0);
  if (plan.minute < 0 && minutes % 60) return undefined;
  const both = plan.parts.length > 1;
  const texts = both ? [match[1] ?? '', match[2] ?? ''] : ordered(plan, minutes);
  return hold(plan, texts) ? { texts, leftOut: '' } : undefined;
}

/** The unit a letter begins: `h`, `m`; -1 for none. */
const unitOf = (plan: DurationPlan, c: string): number =>
  c === 'h' ? plan.hour : c === 'm' ? plan.minute : -1;

/** Unit letters: `m` behind hours makes minutes of them, `h` or a separator passes hours by, others are the unit's own. */
function letter(
  plan: DurationPlan,
  body: PartsBody,
  caret: number,
  c: string,
): Edited<PartsBody> | undefined {
  const { part, index } = locate(body, caret);
  const text = body.texts[part]!;
  const unit = unitOf(plan, c);
  if (unit === 1 && part === 0 && text && index === text.length && !body.texts[1]) {
    const after = lay(plan, ['', text]);
    return { body: after, caret: after.at[1]! + text.length };
  }
  if (plan.parts.length > 1 && !body.content && (unit === 0 || c === ':' || c === ' ')) {
    const after = passedBy(plan);
    return { body: after, caret: after.display.length };
  }
  const isPassing = part === 0 && plan.parts.length > 1 && text !== '' && index === text.length;
  if (isPassing && (unit === 0 || c === ' ' || c === ':'))
    return { body, caret: body.texts[1] ? body.at[1]! : body.display.length };
  return text !== '' && plan.between.some((fixed) => fixed.includes(c)) ? { body, caret } : undefined;
}

const editing = partsKind<DurationPlan, PartsBody>({ lay, parse, close: (_, __, text) => text, letter });

/** Whether the parts have room for these digits. */
const hold = (plan: DurationPlan, texts: readonly string[]): boolean =>
  texts.every((text, i) => text.length <= plan.parts[i]!.size);

const shown = (plan: DurationPlan, minutes: string): string =>
  minutes && lay(plan, ordered(plan, +minutes)).display;

function judge(plan: DurationPlan, body: PartsBody, check: Check): Finding | undefined {
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

/** The parts of a raw value as they were typed; `undefined` where it is none of this field. */
function ownTexts(plan: DurationPlan, raw: string): string[] | undefined {
  const match = /^(?:(\d{1,3})h)?(\d{0,4})$/.exec(raw);
  if (!match || !raw) return undefined;
  const texts = plan.parts.map((_, i) => (i === plan.hour ? (match[1] ?? '') : match[2]!));
  return hold(plan, texts) && lay(plan, texts).content === raw ? texts : undefined;
}

/** As a person would write it: 90 minutes are an hour and a half. Hours passed by without a number are forgotten. */
function settled(plan: DurationPlan, body: PartsBody): PartsBody {
  if (!body.content) return body.display ? lay(plan, body.texts) : body;
  const texts = ordered(plan, minutesOf(plan, body));
  return !hold(plan, texts) || texts.every((text, i) => text === body.texts[i]) ? body : lay(plan, texts);
}

/** Kind `duration`: value whole minutes. */
export const duration: Kind<DurationPlan, PartsBody> = {
  ...editing,
  raw: (_, body) => body.content,
  value: (plan, body) => (body.content ? `${minutesOf(plan, body)}` : null),
  hasRoom,
  read(plan, text) {
    const own = ownTexts(plan, text);
    if (own) return { ...editing.whole(plan, lay(plan, own)), leftOut: '', rejected: null };
    // A value: whole minutes.
    const isMinutes = /^\d{1,9}$/.test(text) && (plan.minute >= 0 || +text % 60 === 0);
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
    return { ...editing.whole(plan, lay(plan, texts)), leftOut: '', rejected: null };
  },
  around,
  leave: settled,
  rest: (plan, body) => ({ ...settled(plan, body), content: body.content }),
  wake: (plan, body) => (body.content ? lay(plan, ownTexts(plan, body.content)!) : body),
  step: (plan, body, caret, by) => editing.stepped(plan, body, caret, by, () => 0, 1),
  judge,
};
