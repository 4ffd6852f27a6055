import type { DefaultTreeAdapterMap } from 'parse5';
import type { Place } from '../document-text.ts';
import type { PatternReader } from './pattern-of.ts';
import { type Dropped, labelFor } from './sanitize.ts';

/** A parsed page while its controls are read: where everything is, and what each control is called. */

export type Element = DefaultTreeAdapterMap['element'];
type Node = DefaultTreeAdapterMap['node'];

const isElement = (node: Node): node is Element => 'tagName' in node;
const childrenOf = (node: Node): readonly Node[] => ('childNodes' in node ? node.childNodes : []);

/**
 * All elements below a node, in document order, at any depth. The content of a `<template>` is not part of
 * it.
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

/** The text of a node, without that of elements with some names. */
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
/** Elements whose text is not part of a label, a legend or a description: controls and their content. */
const besideControls = /^(?:script|style|option|input|select|textarea|button|label)$/;
/** The whole text of an option or a text area. */
export const rawText = (node: Node): string => textIn(node, /^$/);
export const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim();

export const placeOf = ({ sourceCodeLocation }: Element): Place | undefined =>
  sourceCodeLocation
    ? { line: sourceCodeLocation.startLine, column: sourceCodeLocation.startCol }
    : undefined;

/** What is known of a page while its controls are read. */
export interface Page {
  readonly locale: string;
  /** The home region of telephone numbers. */
  readonly home: string;
  readonly taken: Set<string>;
  readonly lost: Dropped[];
  readonly patternOf: PatternReader;
  /** The first element of each id, and the first label for each. */
  readonly byId: ReadonlyMap<string, Element>;
  readonly labelFor: ReadonlyMap<string, Element>;
  /** The label and the fieldset around each element. */
  readonly around: ReadonlyMap<Node, Around>;
  /** Texts of labels and descriptions, each read once. */
  readonly said: Map<Element, string>;
}

interface Around {
  readonly label?: Element;
  readonly fieldset?: Element;
  readonly form?: Element;
}

/** The label and the fieldset around each element: those of its parent, or its parent itself. */
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

/** The first element for each key; later ones are ignored. */
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
 * The name of a control: its label, around it or for it, otherwise other names on the page, and last the
 * attribute `name`. `aria-labelledby` has precedence (WAI-ARIA).
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

/** The text directly after a radio button or checkbox, used if it has no label. */
function textBehind(element: Element): string {
  if (!/^(?:radio|checkbox)$/i.test(attribute(element, 'type') ?? '')) return '';
  const beside = element.parentNode ? childrenOf(element.parentNode) : [];
  const next = beside[beside.indexOf(element) + 1];
  return next && 'value' in next ? oneLine(next.value) : '';
}

/** The texts of the elements whose ids an attribute lists. */
function wordsById(page: Page, element: Element, name: string): string {
  const ids = (attribute(element, name) ?? '').split(/\s+/).filter(Boolean);
  const words = ids.slice(0, 20).flatMap((id) => {
    const one = page.byId.get(id);
    return one ? [wordsOf(page, one)] : [];
  });
  return words.join(' ').trim();
}

/** The text of an element on one line. It is cached, because many controls may refer to it. */
function wordsOf({ said }: Page, element: Element): string {
  const known = said.get(element) ?? oneLine(textIn(element, besideControls));
  said.set(element, known);
  return known;
}

/** The hint of a control: its description, otherwise its title. */
export function hintOf(page: Page, element: Element): string {
  return (wordsById(page, element, 'aria-describedby') || oneLine(attribute(element, 'title') ?? '')).slice(
    0,
    500,
  );
}

/** The legend of the fieldset around a control. */
export function groupLabel(page: Page, element: Element): string {
  const { fieldset } = page.around.get(element) ?? {};
  return fieldset ? legendOf(page, fieldset) : '';
}

/** The legend of a fieldset. */
export function legendOf(page: Page, fieldset: Element): string {
  const legend = childrenOf(fieldset).find((child) => isElement(child) && child.tagName === 'legend');
  return legend && isElement(legend) ? wordsOf(page, legend).slice(0, 200) : '';
}
