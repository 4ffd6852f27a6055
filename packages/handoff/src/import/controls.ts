import type { FieldDocument, RuleDocument } from '@arbeit/engine/document';
import { type Said, say } from '@arbeit/engine/faults';
import { attributeNames } from '@arbeit/engine/field';
import { type Offers, offersFrom } from './offers.ts';
import {
  attribute,
  type Element,
  elementsIn,
  groupLabel,
  has,
  hintOf,
  labelOf,
  oneLine,
  type Page,
  placeOf,
  rawText,
} from './page.ts';
import { type Draft, dropped, idFor, labelFor, namedAs } from './sanitize.ts';
import { importTexts } from './texts.ts';
import { forms, rangeOf, type WrittenColumn, writtenAs } from './written.ts';

/** The attributes of a control, by name. */

type Html = Readonly<Record<string, string | boolean>>;

/** Reports what cannot be imported of a control, with its name and place. */
function lose(page: Page, element: Element, said: Said): undefined {
  const type = typeOf(element);
  page.lost.push({
    where: `“${attribute(element, 'name') ?? attribute(element, 'id') ?? type}”, ${type === element.tagName ? `<${type}>` : `type ${type}`}`,
    ...dropped(said),
    place: placeOf(element),
  });
  return undefined;
}

/** The type of an input; for a list or text area its tag name. */
export const typeOf = (element: Element): string =>
  element.tagName === 'input' ? (attribute(element, 'type') ?? 'text').toLowerCase() : element.tagName;

function idOf({ taken }: Page, element: Element, label: string): string {
  const id = idFor(attribute(element, 'name') ?? attribute(element, 'id') ?? label, taken);
  taken.add(id);
  return id;
}

/**
 * The attributes a document may set, as the control has them, except those that follow from its kind or
 * rules.
 */
function htmlOf(element: Element): Html {
  const kept: Record<string, string | boolean> = {};
  for (const { name, value } of element.attrs)
    if (attributeNames.includes(name) && !/^(?:size|title|aria-label)$/.test(name))
      kept[name] = value === '' && /^(?:readonly|disabled|autofocus)$/.test(name) ? true : value;
  return kept;
}

/** Members of a field that do not depend on its kind. */
interface Around {
  readonly html?: Html;
  readonly label?: string;
  readonly placeholder?: string;
  readonly initial?: string | undefined;
  readonly isNeeded?: boolean;
}

/** The members every field has, whatever its kind. */
function fieldFrom(page: Page, element: Element, made: WrittenColumn, around: Around = {}): Draft {
  const {
    html = {},
    label = labelOf(page, element),
    placeholder = attribute(element, 'placeholder') ?? '',
    initial,
    isNeeded = has(element, 'required'),
  } = around;
  const hint = hintOf(page, element);
  const required: RuleDocument[] = isNeeded ? [{ id: 'required', check: { type: 'required' } }] : [];
  const rules = [...required, ...made.rules];
  const id = idOf(page, element, label);
  const field = {
    id,
    ...namedAs(attribute(element, 'name'), id),
    kind: made.kind,
    label,
    ...(hint ? { hint } : {}),
    ...(placeholder ? { placeholder } : {}),
    ...(initial ? { initial } : {}),
    entry: made.entry,
    ...(Object.keys(html).length ? { html } : {}),
    ...(rules.length ? { rules } : {}),
  };
  // Invalid parts are dropped when it is added to the set.
  return { field: field as unknown as FieldDocument, place: placeOf(element) };
}

/** The options of some elements, without disabled ones. */
function offered(
  page: Page,
  element: Element,
  all: readonly Element[],
  offerOf: (one: Element, i: number) => { readonly value: string; readonly label: string },
): Offers {
  const free = all.filter((one) => !has(one, 'disabled'));
  if (free.length < all.length) lose(page, element, say(importTexts, 'disabled-options'));
  const offers = offersFrom(free.map(offerOf));
  for (const said of offers.told) lose(page, element, said);
  return offers;
}

const named = ({ words }: Offers, values: readonly string[]): string =>
  values.map((value) => words.get(value) ?? value).join('\n');

/** A field for the radio buttons or checkboxes of one name. */
export function picked(page: Page, element: Element, members: readonly Element[]): Draft {
  const type = typeOf(element);
  const chosen = members.filter((one) => has(one, 'checked'));
  if (type === 'checkbox' && members.length === 1)
    return fieldFrom(
      page,
      element,
      { kind: 'yes-no', entry: { draw: 'tick' }, rules: [] },
      { initial: chosen.length ? 'yes' : undefined },
    );
  const label = groupLabel(page, element) || labelFor(attribute(element, 'name') ?? '');
  const valueIn = (one: Element): string =>
    attribute(one, 'value') ?? `${1 + Math.max(0, members.indexOf(one))}`;
  const offers = offered(page, element, members, (one) => ({
    value: valueIn(one),
    label: labelOf(page, one, attribute(one, 'value')),
  }));
  const { options } = offers;
  const isOne = type === 'radio';
  const isNeeded = members.some((one) => has(one, 'required'));
  if (!isOne && isNeeded) lose(page, element, say(importTexts, 'one-box-checked'));
  const initial = named(offers, (isOne ? chosen.slice(-1) : chosen).map(valueIn));
  return fieldFrom(
    page,
    element,
    isOne
      ? { kind: 'choice', entry: { options, draw: 'radio' }, rules: [] }
      : { kind: 'choices', entry: { options }, rules: [] },
    { label, initial, isNeeded: isOne && isNeeded },
  );
}

/** A field for an input, a text area or a list; `undefined` for other elements. */
export function controlled(page: Page, element: Element): Draft | undefined {
  const type = typeOf(element);
  if (/^(?:submit|button|reset|image)$/.test(type)) return undefined;
  if (type === 'hidden') return lose(page, element, say(importTexts, 'hidden-input'));
  if (type === 'file') return lose(page, element, say(importTexts, 'file-input'));
  if (has(element, 'list')) lose(page, element, say(importTexts, 'datalist'));
  return type === 'select' ? listed(page, element) : typed(page, element, type);
}

function listed(page: Page, element: Element): Draft {
  const every = [...elementsIn(element)];
  const textOf = (one: Element): string => attribute(one, 'label') ?? oneLine(rawText(one));
  const valueIn = (one: Element): string => attribute(one, 'value') ?? oneLine(rawText(one));
  const all = every.filter(({ tagName }) => tagName === 'option');
  const real = all.filter((one) => valueIn(one) !== '');
  if (every.some(({ tagName }) => tagName === 'optgroup')) lose(page, element, say(importTexts, 'optgroup'));
  const offers = offered(page, element, real, (one) => ({ value: valueIn(one), label: textOf(one) }));
  const isMultiple = has(element, 'multiple');
  const chosen = real.filter((one) => has(one, 'selected') && !has(one, 'disabled')).map(valueIn);
  const empty = all.find((one) => valueIn(one) === '');
  return fieldFrom(
    page,
    element,
    { kind: isMultiple ? 'choices' : 'choice', entry: { options: offers.options }, rules: [] },
    {
      initial: named(offers, isMultiple ? chosen : chosen.slice(-1)),
      placeholder: empty ? textOf(empty) : '',
    },
  );
}

const number = (text: string | undefined): number | undefined =>
  text !== undefined && /^-?\d+(?:\.\d+)?$/.test(text.trim()) ? Number(text) : undefined;

/** A field by the type of an input, if that determines a kind. */
function typed(page: Page, element: Element, type: string): Draft {
  const html = htmlOf(element);
  const initial = attribute(element, 'value') ?? (type === 'textarea' ? rawText(element) : '');
  if (type === 'email' && has(element, 'multiple'))
    lose(page, element, say(importTexts, 'several-addresses'));
  const isCard = /(?:^|\s)cc-number$/.test(String(html.autocomplete ?? '').trim());
  if (isCard && !has(element, 'pattern'))
    return fieldFrom(page, element, cardNumber, { html: withoutKeyboard(html), initial });
  switch (type) {
    case 'date':
    case 'time':
      return dated(page, element, type, { html, initial });
    case 'number':
    case 'range':
      return counted(page, element, type, { html, initial });
    case 'tel':
      if (has(element, 'pattern')) return written(page, element, type, { html, initial });
      if (has(element, 'minlength')) lose(page, element, say(importTexts, 'telephone-length'));
      return fieldFrom(
        page,
        element,
        { kind: 'phone', entry: { home: page.home }, rules: [] },
        { html, initial },
      );
    case 'datetime-local':
      return momentOf(page, element, { html, initial });
    case 'month':
      return fieldFrom(
        page,
        element,
        {
          kind: 'date',
          entry: { parts: 'month' },
          rules: rangeOf(attribute(element, 'min'), attribute(element, 'max')),
        },
        { html, initial },
      );
    case 'week':
    case 'color':
      return formed(page, element, type, { html, initial });
    default:
      return boxed(page, element, type, html) ?? written(page, element, type, { html, initial });
  }
}

/**
 * The number of a payment card (HTML, autofill `cc-number`): in groups as it is printed on cards of 15 and of
 * up to 19 digits (ISO/IEC 7812), with its check digit.
 */
const cardNumber: WrittenColumn = {
  kind: 'pattern',
  entry: {
    pattern: [
      '<"3"><"47"><2 digit> <6 digit> <5 digit>',
      '<4 digit> <4 digit> <4 digit> <1-4 digit>',
      '<4 digit> <4 digit> <4 digit> <4 digit> <1-3 digit>',
    ],
  },
  rules: [{ id: 'check', check: { type: 'checksum', scheme: 'luhn' } }],
};

/** Attributes without the keyboard, which the kind chooses itself. */
const withoutKeyboard = ({ inputmode: _, ...html }: Html): Html => html;

/** A code or a PIN: one character per box. */
function boxed(page: Page, element: Element, type: string, html: Html): Draft | undefined {
  const { autocomplete: token = '', inputmode, ...rest } = html;
  const isCode = String(token).split(/\s+/).includes('one-time-code');
  if (!isCode && type !== 'password') return undefined;
  const expression = attribute(element, 'pattern');
  const found =
    expression === undefined
      ? undefined
      : page.patternOf(expression, { most: number(attribute(element, 'maxlength')) });
  const cells = found?.is === 'exact' ? /^<(\d+) (digit|alnum)>$/.exec(found.pattern) : undefined;
  const length = cells ? Number(cells[1]) : number(attribute(element, 'maxlength'));
  const accept = cells?.[2] === 'alnum' ? { accept: 'alnum' } : {};
  const entry = { ...(length ? { length } : {}), ...accept };
  if (isCode) return fieldFrom(page, element, { kind: 'one-time-code', entry, rules: [] }, { html: rest });
  const isPin = length !== undefined && length <= 12 && (inputmode === 'numeric' || cells);
  return isPin ? fieldFrom(page, element, { kind: 'pin', entry, rules: [] }, { html: rest }) : undefined;
}

function dated(page: Page, element: Element, type: 'date' | 'time', around: Around): Draft {
  // In seconds for a time, in days for a date (HTML, `step`).
  const step = number(attribute(element, 'step'));
  const hasSeconds = type === 'time' && step !== undefined && step % 60 !== 0;
  if (step !== undefined && !hasSeconds && step !== 1 && step !== 60)
    lose(page, element, say(importTexts, 'step'));
  const entry = type === 'date' ? {} : { clock: 24, ...(hasSeconds ? { seconds: true } : {}) };
  const rules = rangeOf(attribute(element, 'min'), attribute(element, 'max'));
  return fieldFrom(page, element, { kind: type, entry, rules }, around);
}

/** A date with a time, to the minute. */
function momentOf(page: Page, element: Element, around: Around): Draft {
  const toMinute = (text: string | undefined): string | undefined => text?.slice(0, 16).replace(' ', 'T');
  if (has(element, 'step')) lose(page, element, say(importTexts, 'step'));
  const given = [around.initial, attribute(element, 'min'), attribute(element, 'max')];
  if (given.some((text) => /:\d\d:(?!00(?:\.0+)?$)/.test(text ?? '')))
    lose(page, element, say(importTexts, 'seconds'));
  const rules = rangeOf(toMinute(attribute(element, 'min')), toMinute(attribute(element, 'max')));
  return fieldFrom(
    page,
    element,
    { kind: 'date-time', entry: {}, rules },
    { ...around, initial: toMinute(around.initial) ?? '' },
  );
}

function counted(page: Page, element: Element, type: 'number' | 'range', around: Around): Draft {
  // A slider has default bounds (HTML, `type=range`).
  const [low, high] = type === 'range' ? ['0', '100'] : [];
  const [min, max] = [attribute(element, 'min') ?? low, attribute(element, 'max') ?? high];
  const written = attribute(element, 'step') ?? '1';
  const given = number(written);
  const step = given === undefined || given <= 0 ? 1 : given;
  const decimals =
    written.trim().toLowerCase() === 'any' ? 6 : Math.min(6, String(step).split('.')[1]?.length ?? 0);
  // If the step is one in the last decimal, or none, no rule is needed.
  const isPlain = decimals === 6 || Math.abs(step - 10 ** -decimals) < 1e-9;
  const from = (number(min) ?? number(around.initial) ?? 0) / step;
  // HTML counts steps from the minimum, a rule from zero.
  const isOnStep = Math.abs(from - Math.round(from)) < 1e-9;
  if (!isPlain && !isOnStep)
    lose(page, element, say(importTexts, 'steps', { step, from: min ?? around.initial ?? '0' }));
  const limit = (text: string | undefined): number | string | undefined => number(text) ?? text;
  const entry = {
    ...(decimals ? { decimals: { max: decimals } } : {}),
    ...(min === undefined || Number(min) < 0 ? { negative: 'minus' } : {}),
  };
  const rules = rangeOf(limit(min), limit(max), !isPlain && isOnStep ? step : undefined);
  return fieldFrom(page, element, { kind: 'number', entry, rules }, around);
}

/** Input types whose values have one form, which is typed here: a browser would show a picker. */
const picks = {
  week: 'typed-week',
  color: 'typed-color',
} as const;

/** A field for values of one form. */
function formed(page: Page, element: Element, type: keyof typeof picks, around: Around): Draft {
  const { told: _, ...made } = writtenAs({ expression: forms[type] }, page.patternOf);
  lose(page, element, say(importTexts, picks[type]));
  if (has(element, 'min') || has(element, 'max')) lose(page, element, say(importTexts, 'limits'));
  return fieldFrom(page, element, made, around);
}

/** Blanks at the ends of a password belong to it. */
const concealed = { conceal: true, trim: false };

/** A field for text: with a pattern if its expression is one. */
function written(page: Page, element: Element, type: string, around: Around): Draft {
  const source = attribute(element, 'pattern');
  const title = oneLine(attribute(element, 'title') ?? '');
  const isSecret = type === 'password';
  const lines =
    type === 'textarea' ? { lines: Math.min(20, Math.max(2, number(attribute(element, 'rows')) ?? 3)) } : {};
  const { told, ...made } = writtenAs(
    {
      expression: source,
      least: number(attribute(element, 'minlength')),
      most: number(attribute(element, 'maxlength')),
      entry: { ...lines, ...(type === 'email' ? { case: 'lower' } : {}), ...(isSecret ? concealed : {}) },
      isText: isSecret,
      say: (source !== undefined && title.slice(0, 200).replace(/[{}]/g, '')) || undefined,
    },
    page.patternOf,
  );
  for (const said of told) lose(page, element, said);
  if (type !== 'email' && type !== 'url') return fieldFrom(page, element, made, around);
  const html = { inputmode: type, ...around.html };
  // Its own expression is stricter than its type.
  const asked: RuleDocument[] =
    source === undefined ? [{ id: 'form', check: { type: 'matches', pattern: forms[type] } }] : [];
  return fieldFrom(page, element, { ...made, rules: [...asked, ...made.rules] }, { ...around, html });
}
