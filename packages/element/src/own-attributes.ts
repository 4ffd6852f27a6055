import { attributesOf, type FieldStore } from '@arbeit/dom';
import type { View } from './field-view.ts';

/** Attributes of an element that the page may set at any time, in place of what its definition says. */
export const ownAttributes = ['hint', 'label', 'placeholder', 'readonly', 'required'] as const;

/** Takes over the attributes that the page has set on an element, or those of its definition again. */
export function takeOver(
  element: HTMLElement,
  { control: { named }, label, hint }: View,
  store: FieldStore,
): void {
  const { field } = store;
  const attributes = attributesOf(field);
  const given = (name: (typeof ownAttributes)[number]): string | null => element.getAttribute(name);
  const texts = [
    [label, given('label') ?? field.label],
    [hint, given('hint') ?? field.hint],
  ] as const;
  for (const [place, text] of texts) {
    const slot = place.querySelector('slot');
    if (slot && slot.textContent !== text) slot.textContent = text;
  }
  if (attributes.role !== 'group') {
    const isRequired = given('required') !== null || attributes['aria-required'] === true;
    if (isRequired) named.setAttribute('aria-required', 'true');
    else named.removeAttribute('aria-required');
  }
  if (!(named instanceof HTMLInputElement || named instanceof HTMLTextAreaElement)) return;
  named.placeholder = given('placeholder') ?? field.placeholder;
  named.readOnly = given('readonly') !== null || attributes.readonly === true;
}
