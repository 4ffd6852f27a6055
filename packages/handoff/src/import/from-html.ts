import { say } from '@arbeit/engine/faults';
import { parse } from 'parse5';
import { controlled, picked, typeOf } from './controls.ts';
import {
  aroundOf,
  attribute,
  type Element,
  elementsIn,
  firstBy,
  inputsByName,
  legendOf,
  oneLine,
  type Page,
  placeOf,
  textIn,
} from './page.ts';
import { patternReader } from './pattern-of.ts';
import { type Draft, dropped, type Imported, sanitize } from './sanitize.ts';
import { importTexts } from './texts.ts';

/**
 * An HTML form as a set: fields with kind, pattern, rules, labels, hints, autofill tokens and choices, a form
 * with sections from its fieldsets, and what could not be imported, by place. The markup is only parsed:
 * nothing in it runs or is fetched. Security relevant.
 */
export function fromHtml(text: string): Imported {
  const document = parse(text, { sourceCodeLocationInfo: true });
  const every = [...elementsIn(document)];
  const forms = every.filter(({ tagName }) => tagName === 'form');
  const around = aroundOf(every);
  const root = forms.length === 1 ? forms[0] : undefined;
  const all = root ? every.filter((one) => one === root || isIn(root, one, around.get(one)?.form)) : every;
  const page = pageOf(every, around);
  const isControl = ({ tagName }: Element): boolean => /^(?:input|select|textarea)$/.test(tagName);
  const drafts = draftsOf(page, all.filter(isControl));
  if (forms.length > 1)
    page.lost.push({
      where: 'the page',
      ...dropped(say(importTexts, 'several-forms', { count: forms.length })),
    });
  const known = new Set(all);
  const outside = every.filter((one) => isControl(one) && !known.has(one)).length;
  if (outside > 0)
    page.lost.push({
      where: 'the page',
      ...dropped(
        outside === 1
          ? say(importTexts, 'controls-outside/one')
          : say(importTexts, 'controls-outside', { count: outside }),
      ),
    });
  for (const element of all)
    for (const { name } of element.attrs)
      if (name.startsWith('on'))
        page.lost.push({
          where: `<${element.tagName}>, ${name}`,
          ...dropped(say(importTexts, 'script')),
          place: placeOf(element),
        });
  const title = titleOf(every, root, drafts);
  return sanitize(
    { title: title || 'Imported', locale: page.locale, form: title || 'Form' },
    drafts,
    page.lost,
  );
}

/** Whether an element belongs to a form: it is inside, or names it (HTML, `form`). */
function isIn(form: Element, element: Element, stands: Element | undefined): boolean {
  const owner = attribute(element, 'form');
  return owner === undefined ? stands === form : owner !== '' && owner === attribute(form, 'id');
}

function pageOf(every: readonly Element[], around: Page['around']): Page {
  const locale = every.map((one) => attribute(one, 'lang')).find(Boolean) ?? 'en-GB';
  return {
    locale,
    home: locale.split('-').find((part) => /^[A-Z]{2}$/.test(part)) ?? 'GB',
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
}

/** A field for each control, and one for all radio buttons or checkboxes of a name. */
function draftsOf(page: Page, controls: readonly Element[]): readonly Draft[] {
  const inputs = inputsByName(controls);
  const groups = new Set<string>();
  const isPick = (element: Element): boolean => /^(?:radio|checkbox)$/.test(typeOf(element));
  /** Fieldsets that contain only one group of radio buttons or checkboxes: their legend is its label. */
  const own = new Set<Element>();
  const names = new Map<Element, Set<string | Element>>();
  for (const element of controls) {
    const { fieldset } = page.around.get(element) ?? {};
    if (!fieldset) continue;
    const held = names.get(fieldset) ?? new Set();
    held.add((isPick(element) && attribute(element, 'name')) || element);
    names.set(fieldset, held);
  }
  for (const [fieldset, held] of names)
    if (held.size === 1 && [...held].every((one) => typeof one === 'string')) own.add(fieldset);
  return controls.flatMap((element) => {
    const name = attribute(element, 'name') ?? '';
    const key = `${typeOf(element)} ${name}`;
    if (isPick(element) && name && groups.has(key)) return [];
    if (isPick(element)) groups.add(key);
    const members = name
      ? (inputs.get(name) ?? []).filter((one) => typeOf(one) === typeOf(element))
      : [element];
    const draft = isPick(element) ? picked(page, element, members) : controlled(page, element);
    if (!draft) return [];
    const section = sectionOf(page, element, own);
    return [section ? { ...draft, section } : draft];
  });
}

/** The legend of the fieldset around a field, if it contains more than that field. */
function sectionOf(page: Page, element: Element, own: ReadonlySet<Element>): string {
  let { fieldset } = page.around.get(element) ?? {};
  while (fieldset && own.has(fieldset)) ({ fieldset } = page.around.get(fieldset) ?? {});
  return fieldset ? legendOf(page, fieldset) : '';
}

/** The title of the form: its own, otherwise the heading above it, otherwise that of its only section. */
function titleOf(every: readonly Element[], root: Element | undefined, drafts: readonly Draft[]): string {
  const own = oneLine((root && attribute(root, 'aria-label')) ?? '');
  const heading = every.find(({ tagName }) => /^(?:h1|h2|title)$/.test(tagName));
  const said = own || (heading ? oneLine(textIn(heading)) : '');
  const [first] = drafts;
  return said || (drafts.every(({ section }) => section === first?.section) ? (first?.section ?? '') : '');
}
