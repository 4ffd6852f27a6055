import type { DefaultTreeAdapterMap } from 'parse5';
import type { Place } from '../document-text.ts';
import type { PatternReader } from './pattern-of.ts';
import { type Dropped, labelFor } from './sanitize.ts';

/** A page as it was parsed, while its controls are read: what stands where, and what each is called. */

export type Element = DefaultTreeAdapterMap['element'];
type Node = DefaultTreeAdapterMap['node'];

const isElement = (node: Node): node is Element => 'tagName' in node;
const childrenOf = (node: Node): readonly Node[] => ('childNodes' in node ? node.childNodes : []);

/**
 * All elements below a node, in the order of the page, however deep they are. What a `<template>` holds is no
 * part of it.
 */
export function* elementsIn(node: Node): Generator<Element> {
  const open = [...childrenOf(node)].reverse();
  for (let at = open.pop(); at; at = open.pop()) {
    if (isElement(at)) yield at;
    for (const child of [...childrenOf(at)].reverse()) open.push(child);
  }
}

export const attribute = (element: Element, name: string): string | undefined =>
  element.attrs.find((one) => one.name === name)?.value;
export const has = (element: Element, name: string): boolean => attribute(element, name) !== undefined;

/** The text of a node, without that of elements of some names. */
export function textIn(node: Node, without = /^(?:script|style|option)$/): string {
  const found: string[] = [];
  const open: Node[] = [node];
  for (let at = open.pop(); at; at = open.pop()) {
    if ('value' in at) found.push(at.value);
    if (at !== node && isElement(at) && without.test(at.tagName)) continue;
    for (const child of [...childrenOf(at)].reverse()) open.push(child);
  }
  return found.join('');
}
/** A label, a legend, a description: what stands around controls, not what is in them. */
const besideControls = /^(?:script|style|option|input|select|textarea|button|label)$/;
/** Of an option, a text area: all there is. */
export const rawText = (node: Node): string => textIn(node, /^$/);
export const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim();

export const placeOf = ({ sourceCodeLocation }: Element): Place | undefined =>
  sourceCodeLocation
    ? { line: sourceCodeLocation.startLine, column: sourceCodeLocation.startCol }
    : undefined;

/** What is known of a page while its controls are read. */
export interface Page {
  readonly locale: string;
  /** The region telephone numbers are written in. */
  readonly home: string;
  readonly taken: Set<string>;
  readonly lost: Dropped[];
  readonly patternOf: PatternReader;
  /** The first element of each id, and the first label for each. */
  readonly byId: ReadonlyMap<string, Element>;
  readonly labelFor: ReadonlyMap<string, Element>;
  /** The label and the fieldset each element stands in. */
  readonly around: ReadonlyMap<Node, Around>;
  /** What labels and descriptions say, each read once. */
  readonly said: Map<Element, string>;
}

interface Around {
  readonly label?: Element;
  readonly fieldset?: Element;
  readonly form?: Element;
}

/** What each element stands in: what its parent does, or its parent itself. */
export function aroundOf(every: readonly Element[]): ReadonlyMap<Node, Around> {
  const known = new Map<Node, Around>();
  for (const element of every) {
    const parent = element.parentNode;
    const above = (parent && known.get(parent)) || {};
    const isPart = parent && isElement(parent) && /^(?:label|fieldset|form)$/.test(parent.tagName);
    known.set(element, isPart ? { ...above, [parent.tagName]: parent } : above);
  }
  return known;
}

/** The first of each: what stands twice is found where it stands first. */
export function firstBy(elements: readonly Element[], name: string): ReadonlyMap<string, Element> {
  const first = new Map<string, Element>();
  for (const element of elements) {
    const value = attribute(element, name);
    if (value !== undefined && !first.has(value)) first.set(value, element);
  }
  return first;
}

export function inputsByName(elements: readonly Element[]): ReadonlyMap<string, readonly Element[]> {
  const known = new Map<string, Element[]>();
  for (const element of elements) {
    const name = element.tagName === 'input' ? attribute(element, 'name') : undefined;
    if (name === undefined) continue;
    const members = known.get(name);
    if (members) members.push(element);
    else known.set(name, [element]);
  }
  return known;
}

/**
 * What a control is called: by its label, around it or for it, else by what the page says otherwise; last by
 * `name`. What names it by id comes before (WAI-ARIA, `aria-labelledby`).
 */
export function labelOf(page: Page, element: Element, name = nameOf(element)): string {
  const id = attribute(element, 'id');
  const label = (id ? page.labelFor.get(id) : undefined) ?? page.around.get(element)?.label;
  const said =
    wordsById(page, element, 'aria-labelledby') ||
    (label ? wordsOf(page, label) : oneLine(attribute(element, 'aria-label') ?? '') || textBehind(element));
  return said.replace(/\s*[*:]+$/, '').slice(0, 200) || labelFor(name);
}

const nameOf = (element: Element): string =>
  attribute(element, 'name') ?? attribute(element, 'id') ?? attribute(element, 'placeholder') ?? '';

/** What stands right behind a button or box to tick: its words, where nobody made a label of them. */
function textBehind(element: Element): string {
  if (!/^(?:radio|checkbox)$/i.test(attribute(element, 'type') ?? '')) return '';
  const beside = element.parentNode ? childrenOf(element.parentNode) : [];
  const next = beside[beside.indexOf(element) + 1];
  return next && 'value' in next ? oneLine(next.value) : '';
}

/** What the elements say whose ids an attribute names. */
function wordsById(page: Page, element: Element, name: string): string {
  const ids = (attribute(element, name) ?? '').split(/\s+/).filter(Boolean);
  const words = ids.slice(0, 20).flatMap((id) => {
    const one = page.byId.get(id);
    return one ? [wordsOf(page, one)] : [];
  });
  return words.join(' ').trim();
}

/** What an element says, on one line. What many controls are called by is read once. */
function wordsOf({ said }: Page, element: Element): string {
  const known = said.get(element) ?? oneLine(textIn(element, besideControls));
  said.set(element, known);
  return known;
}

/** What a control says of itself beside its label: what it is described by, else its title. */
export function hintOf(page: Page, element: Element): string {
  return (wordsById(page, element, 'aria-describedby') || oneLine(attribute(element, 'title') ?? '')).slice(
    0,
    500,
  );
}

/** The legend of the fieldset a control stands in. */
export function groupLabel(page: Page, element: Element): string {
  const { fieldset } = page.around.get(element) ?? {};
  return fieldset ? legendOf(page, fieldset) : '';
}

/** What stands over a fieldset. */
export function legendOf(page: Page, fieldset: Element): string {
  const legend = childrenOf(fieldset).find((child) => isElement(child) && child.tagName === 'legend');
  return legend && isElement(legend) ? wordsOf(page, legend).slice(0, 200) : '';
}
