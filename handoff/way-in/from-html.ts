import type { FieldDocument, RuleDocument } from '@arbeit/engine/document';
import { attributeNames } from '@arbeit/engine/field';
import { parse } from 'parse5';
import {
  aroundOf,
  attribute,
  type Element,
  elementsIn,
  firstBy,
  groupLabel,
  has,
  hintOf,
  inputsByName,
  labelOf,
  oneLine,
  type Page,
  placeOf,
  rawText,
  textIn,
} from './page.ts';
import { patternReader } from './pattern-of.ts';
import { type BroughtIn, type Draft, idFor, labelFor, soundSet } from './sound.ts';

/**
 * An HTML form as a set: fields with kind, pattern, rules, labels, hints, autofill tokens and choices, a form of them, and what could not be
 * carried over, by place. The markup is only read: nothing in it runs or is fetched.
 */
export function fromHtml(text: string): BroughtIn {
  const document = parse(text, { sourceCodeLocationInfo: true });
  const every = [...elementsIn(document)];
  const forms = every.filter(({ tagName }) => tagName === 'form');
  const root = forms.length === 1 ? forms[0] : undefined;
  const around = aroundOf(every);
  const all = root ? every.filter((one) => around.get(one)?.form === root) : every;
  const locale = every.map((one) => attribute(one, 'lang')).find(Boolean) ?? 'en-GB';
  const page: Page = {
    locale,
    taken: new Set(),
    lost: [],
    patternOf: patternReader(),
    byId: firstBy(every, 'id'),
    labelFor: firstBy(
      every.filter(({ tagName }) => tagName === 'label'),
      'for',
    ),
    around,
    said: new Map(),
  };
  const drafts: Draft[] = [];
  const groups = new Set<string>();
  const inputs = inputsByName(all);
  for (const element of all) {
    if (!/^(?:input|select|textarea)$/.test(element.tagName)) continue;
    const type =
      element.tagName === 'input' ? (attribute(element, 'type') ?? 'text').toLowerCase() : element.tagName;
    const name = attribute(element, 'name') ?? attribute(element, 'id') ?? '';
    if (/^(?:radio|checkbox)$/.test(type) && name) {
      if (groups.has(name)) continue;
      groups.add(name);
      drafts.push(picked(page, element, inputs.get(name) ?? [], type));
    } else {
      const draft = controlled(page, element, type);
      if (draft) drafts.push(draft);
    }
  }
  if (forms.length > 1)
    page.lost.push({
      where: 'the page',
      why: `It has ${forms.length} forms: their fields came in together.`,
    });
  for (const element of all)
    for (const { name } of element.attrs)
      if (name.startsWith('on'))
        page.lost.push({
          where: `<${element.tagName}>, ${name}`,
          why: 'Scripts are not carried over.',
          place: placeOf(element),
        });
  const heading = every.find(({ tagName }) => /^(?:legend|h1|h2|title)$/.test(tagName));
  const title = (root && attribute(root, 'aria-label')) ?? (heading ? oneLine(textIn(heading)) : '');
  return soundSet({ title: title || 'Brought in', locale, form: title || 'Form' }, drafts, page.lost);
}

function idOf({ taken }: Page, element: Element, label: string): string {
  const id = idFor(attribute(element, 'name') ?? attribute(element, 'id') ?? label, taken);
  taken.add(id);
  return id;
}

/** Attributes a definition may put on its input, as the control has them; what follows from a kind or a rule is not among them. */
function htmlOf(element: Element): Record<string, string | boolean> {
  const kept: Record<string, string | boolean> = {};
  for (const { name, value } of element.attrs)
    if (attributeNames.includes(name) && !/^(?:size|title|aria-label)$/.test(name))
      kept[name] = value === '' && /^(?:readonly|disabled|autofocus)$/.test(name) ? true : value;
  return kept;
}

type Made = {
  readonly kind: string;
  readonly entry: object;
  readonly rules: RuleDocument[];
  readonly initial?: string;
};

/** What all fields are made of, whatever their kind. */
function fieldFrom(page: Page, element: Element, made: Made, html: Record<string, string | boolean>): Draft {
  const label = labelOf(page, element);
  const hint = hintOf(page, element);
  const placeholder = attribute(element, 'placeholder') ?? '';
  const required: RuleDocument[] = has(element, 'required')
    ? [{ id: 'required', check: { type: 'required' } }]
    : [];
  const rules = [...required, ...made.rules];
  const field = {
    id: idOf(page, element, label),
    kind: made.kind,
    label,
    ...(hint ? { hint } : {}),
    ...(placeholder ? { placeholder } : {}),
    ...(made.initial ? { initial: made.initial } : {}),
    entry: made.entry,
    ...(Object.keys(html).length ? { html } : {}),
    ...(rules.length ? { rules } : {}),
  };
  // What is not sound of it goes as it is taken into the set.
  return { field: field as unknown as FieldDocument, place: placeOf(element) };
}

/** Buttons or boxes of one name. */
function picked(page: Page, element: Element, members: readonly Element[], type: string): Draft {
  const legend = groupLabel(page, element);
  const options = members.map((one, i) => ({
    value: attribute(one, 'value') ?? `${i + 1}`,
    label: labelOf(page, one),
  }));
  const checked = members.filter((one) => has(one, 'checked')).map((one) => attribute(one, 'value') ?? 'yes');
  if (type === 'checkbox' && members.length === 1) {
    const initial = checked.length ? { initial: 'yes' } : {};
    return fieldFrom(page, element, { kind: 'yes-no', entry: { draw: 'tick' }, rules: [], ...initial }, {});
  }
  const made: Made =
    type === 'radio'
      ? {
          kind: 'choice',
          entry: { options, draw: 'radio' },
          rules: [],
          ...(checked[0] ? { initial: checked[0] } : {}),
        }
      : {
          kind: 'choices',
          entry: { options },
          rules: [],
          ...(checked.length ? { initial: checked.join(' ') } : {}),
        };
  const draft = fieldFrom(page, element, made, {});
  const label = legend || labelFor(attribute(element, 'name') ?? '');
  return { ...draft, field: { ...draft.field, label } };
}

const number = (text: string | undefined): number | undefined =>
  text !== undefined && /^-?\d+(?:\.\d+)?$/.test(text.trim()) ? Number(text) : undefined;

/** A line to type into, a text area, a list: nothing for what is no field. */
function controlled(page: Page, element: Element, type: string): Draft | undefined {
  if (/^(?:submit|button|reset|image)$/.test(type)) return undefined;
  const lose = (why: string): undefined => {
    const name = attribute(element, 'name') ?? type;
    page.lost.push({
      where: `“${name}”, ${type === element.tagName ? `<${type}>` : `type ${type}`}`,
      why,
      place: placeOf(element),
    });
    return undefined;
  };
  if (type === 'hidden') return lose('What nobody sees is no field.');
  if (/^(?:file|color|month|week|datetime-local)$/.test(type))
    return lose('There is no kind of field for it.');
  if (has(element, 'list')) lose('The suggestions of a <datalist> are not carried over.');
  if (type === 'select') return listed(page, element);
  return typed(page, element, type, lose);
}

function listed(page: Page, element: Element): Draft {
  const all = [...elementsIn(element)].filter(({ tagName }) => tagName === 'option');
  const isMultiple = has(element, 'multiple');
  const real = all.filter(
    (one) =>
      attribute(one, 'value') !== '' &&
      !(attribute(one, 'value') === undefined && oneLine(rawText(one)) === ''),
  );
  const options = real.map((one) => ({
    value: attribute(one, 'value') ?? oneLine(rawText(one)),
    label: oneLine(rawText(one)),
  }));
  const empty = all.find((one) => attribute(one, 'value') === '');
  const chosen = real
    .filter((one) => has(one, 'selected'))
    .map((one) => attribute(one, 'value') ?? oneLine(rawText(one)));
  const initial = chosen.length ? { initial: isMultiple ? chosen.join(' ') : (chosen[0] ?? '') } : {};
  const draft = fieldFrom(
    page,
    element,
    { kind: isMultiple ? 'choices' : 'choice', entry: { options }, rules: [], ...initial },
    {},
  );
  const placeholder = empty ? oneLine(rawText(empty)) : '';
  return placeholder ? { ...draft, field: { ...draft.field, placeholder } } : draft;
}

/** Kinds by the type of an input, where that says one. */
function typed(page: Page, element: Element, type: string, lose: (why: string) => undefined): Draft {
  const html = htmlOf(element);
  const value = attribute(element, 'value') ?? (element.tagName === 'textarea' ? rawText(element) : '');
  const initial = value ? { initial: value } : {};
  const [min, max, least, most] = ['min', 'max', 'minlength', 'maxlength'].map((name) =>
    attribute(element, name),
  );
  const range: RuleDocument[] =
    min !== undefined || max !== undefined
      ? [{ id: 'range', check: { type: 'range', ...limits(min, max, type) } }]
      : [];
  const source = attribute(element, 'pattern');
  const { autocomplete = '' } = html;
  const length = number(most);
  if (autocomplete === 'one-time-code') {
    const { autocomplete: _, inputmode: __, ...rest } = html;
    return fieldFrom(
      page,
      element,
      { kind: 'one-time-code', entry: length ? { length } : {}, rules: [] },
      rest,
    );
  }
  if (type === 'password' && length !== undefined && length <= 12 && html.inputmode === 'numeric') {
    const { inputmode: _, autocomplete: __, ...rest } = html;
    return fieldFrom(page, element, { kind: 'pin', entry: { length }, rules: [] }, rest);
  }
  if (type === 'date' || type === 'time')
    return fieldFrom(
      page,
      element,
      { kind: type, entry: type === 'time' ? { clock: 24 } : {}, rules: range, ...initial },
      html,
    );
  if (type === 'number' || type === 'range') {
    const step = attribute(element, 'step') ?? '1';
    const decimals = step === 'any' ? 6 : (step.split('.')[1]?.length ?? 0);
    const isSigned = min === undefined || Number(min) < 0;
    const entry = {
      ...(decimals ? { decimals: { max: decimals } } : {}),
      ...(isSigned ? { negative: 'minus' } : {}),
    };
    return fieldFrom(page, element, { kind: 'number', entry, rules: range, ...initial }, html);
  }
  if (type === 'tel' && source === undefined) {
    const home = page.locale.split('-').find((part) => /^[A-Z]{2}$/.test(part)) ?? 'GB';
    return fieldFrom(page, element, { kind: 'phone', entry: { home }, rules: [], ...initial }, html);
  }
  return written(page, element, { type, html, source, least: number(least), most: length, initial, lose });
}

/** Bounds of a range as a rule writes them. */
function limits(
  min: string | undefined,
  max: string | undefined,
  type: string,
): { min?: string | number; max?: string | number } {
  const limit = (text: string) => (type === 'date' || type === 'time' ? text : (number(text) ?? text));
  return {
    ...(min === undefined ? {} : { min: limit(min) }),
    ...(max === undefined ? {} : { max: limit(max) }),
  };
}

interface Written {
  readonly type: string;
  readonly html: Record<string, string | boolean>;
  readonly source: string | undefined;
  readonly least: number | undefined;
  readonly most: number | undefined;
  readonly initial: { readonly initial?: string };
  readonly lose: (why: string) => undefined;
}

/** What is written as text: by a pattern, where its expression is one. */
function written(
  page: Page,
  element: Element,
  { type, html, source, least, most, initial, lose }: Written,
): Draft {
  const rules: RuleDocument[] = [];
  if (source !== undefined) {
    const found = page.patternOf(source);
    if (found.is === 'exact')
      return fieldFrom(
        page,
        element,
        { kind: 'pattern', entry: { pattern: found.pattern, raw: 'text' }, rules, ...initial },
        html,
      );
    rules.push({
      id: 'form',
      check: { type: 'matches', pattern: source },
      ...said(attribute(element, 'title')),
    });
    lose(`Its pattern came in as a rule: ${found.why}`);
  } else if (type === 'email')
    rules.push({ id: 'form', check: { type: 'matches', pattern: '[^@\\s]+@[^@\\s]+\\.[^@\\s.]+' } });
  else if (type === 'url')
    rules.push({ id: 'form', check: { type: 'matches', pattern: '[a-zA-Z][a-zA-Z0-9+.\\-]*:.+' } });
  if (type === 'password')
    lose('It came in as a text that is seen: there is no kind of field for a password.');
  if (least) rules.push({ id: 'length', check: { type: 'length', min: least } });
  const lines =
    type === 'textarea' ? { lines: Math.min(20, Math.max(2, number(attribute(element, 'rows')) ?? 3)) } : {};
  const entry = { ...(most ? { max: most } : {}), ...lines, ...(type === 'email' ? { case: 'lower' } : {}) };
  const mode = type === 'email' || type === 'url' ? { inputmode: type, ...html } : html;
  return fieldFrom(page, element, { kind: 'text', entry, rules, ...initial }, mode);
}

const said = (text: string | undefined): { say?: string } =>
  text ? { say: oneLine(text).slice(0, 200).replace(/[{}]/g, '') } : {};
