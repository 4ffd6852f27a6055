import {
  appearanceOf,
  attributesOf,
  type FieldStore,
  type Host,
  isConcealed,
  type PickerOptions,
  showStates,
} from '@arbeit/dom';
import { type Evaluation, pickedValues } from '@arbeit/engine/field';
import { type Control, givenBefore, part, type Renderer } from './control.ts';
import { iconNodes } from './icon.ts';
import { line } from './line.ts';
import type { FieldShell } from './shell.ts';
import type { Validity } from './validity.ts';

/** The content of a field's element. */
export interface View {
  readonly elements: readonly Node[];
  readonly control: Control;
  readonly label: HTMLElement;
  readonly hint: HTMLElement;
  tell(evaluation: Evaluation): void;
}

/**
 * Draws a field: label, frame with prefix and suffix, hint, message. Each is a part; each but the message is
 * a slot.
 */
export function drawn(store: FieldStore, drawings: readonly Renderer[], options: PickerOptions): View {
  const { field } = store;
  const { look = {} } = field;
  const control = first(store, drawings, options);
  const label = part(control.isGroup ? 'span' : 'label', 'label');
  label.id = 'label';
  control.named.id = 'control';
  if (label instanceof HTMLLabelElement) label.htmlFor = 'control';
  else control.named.setAttribute('aria-labelledby', 'label');
  label.append(slot('label', field.label));
  const frame = part('div', 'frame');
  frame.append(...iconOf(store), sign('before', look.before), control.element, sign('after', look.behind));
  const hint = part('div', 'hint');
  hint.id = 'hint';
  hint.append(slot('hint', field.hint));
  const message = part('div', 'message');
  message.id = 'message';
  message.ariaLive = 'polite';
  control.named.setAttribute('aria-describedby', 'hint message');
  return {
    elements: [label, frame, hint, message],
    control,
    label,
    hint,
    tell({ shown }) {
      control.draw?.();
      showMessages(message, shown);
    },
  };
}

/**
 * Shows messages in an element that is always there. A message that is shown already is not announced again.
 */
function showMessages(place: HTMLElement, shown: Evaluation['shown']): void {
  const said = shown.map((one) => one.message).join('\n');
  if (place.dataset.said === said) return;
  place.dataset.said = said;
  const error = shown.find(({ severity }) => severity === 'error');
  place.dataset.severity = (error ?? shown[0])?.severity ?? '';
  place.replaceChildren(
    ...shown.map((one) => {
      const text = document.createElement('p');
      text.textContent = one.message;
      return text;
    }),
  );
}

function first(store: FieldStore, drawings: readonly Renderer[], options: PickerOptions): Control {
  const attributes = attributesOf(store.field);
  for (const drawing of drawings) {
    const control = drawing(store, attributes, options);
    if (control) return control;
  }
  // A text input can draw any field.
  return line(store, attributes, options) as Control;
}

/** A slot with a prefix or suffix, which the page can replace. */
function sign(name: string, text: string | undefined): HTMLSlotElement {
  const element = slot(name);
  if (text !== undefined) {
    const drawn = part('span', 'sign');
    drawn.ariaHidden = 'true';
    drawn.textContent = text;
    element.append(drawn);
  }
  return element;
}

/** The icon of a field, if it has one. */
function iconOf({ field }: FieldStore): readonly Node[] {
  const { icon } = field.look ?? {};
  if (!icon) return [];
  const element = part('span', 'icon');
  element.ariaHidden = 'true';
  element.append(...iconNodes(icon));
  return [element];
}

/** Sets the appearance of a field on its element, except what the page has set itself. */
export function dressElement(element: HTMLElement, { field }: FieldStore): void {
  const { style, ...attributes } = appearanceOf(field);
  for (const [name, value] of Object.entries(attributes))
    if (!element.hasAttribute(name)) element.setAttribute(name, value);
  for (const [name, value] of Object.entries(style ?? {}))
    if (!element.style.getPropertyValue(name)) element.style.setProperty(name, value);
}

function slot(name: string, text = ''): HTMLSlotElement {
  const element = document.createElement('slot');
  element.name = name;
  element.textContent = text;
  return element;
}

/**
 * The host of a field: its element for the form and the browser, the control inside for assistive technology.
 */
export function hostOf(
  { element, internals, isAsking }: FieldShell,
  { control: { named } }: View,
  { setProblem }: Validity,
): Host {
  return {
    element,
    form: () => internals.form,
    setWrong(isWrong) {
      const value = String(isWrong);
      if (named.ariaInvalid !== value) named.ariaInvalid = value;
    },
    setProblem,
    isAsking,
    watch: () => () => {},
  };
}

/**
 * A function that shows the states of a field on its element and sets its form value when the raw value
 * changed; several choices are several entries, as with checkboxes. A field that does not count is hidden and
 * not submitted.
 */
export function teller(
  element: HTMLElement,
  internals: ElementInternals,
  view: View,
  store: FieldStore,
): () => void {
  let before: string | undefined;
  return () => {
    const evaluation = store.evaluation();
    view.tell(evaluation);
    showStates(element, evaluation);
    const { raw, counts } = evaluation;
    // Not `hidden`, which belongs to the page.
    element.toggleAttribute('data-away', !counts);
    const name = element.getAttribute('name') ?? '';
    const now = `${counts} ${name} ${raw}`;
    if (now === before) return;
    before = now;
    const values = new FormData();
    // Native radio buttons and checkboxes submit nothing if none is picked; a text input submits an empty
    // text.
    const sent = view.control.isGroup ? pickedValues(store.field, raw) : [raw];
    if (counts) for (const one of sent) values.append(name, one);
    // A concealed value must not be restored with the page: the browser would store it in plain text.
    internals.setFormValue(values, isConcealed(store.field) ? null : raw);
  };
}

/** What was in an element before it was defined: a value set by a script, or typed into the control in it. */
export function typedBefore(element: HTMLElement): string | undefined {
  const given = givenBefore(element, 'value');
  const typed = takeFallback(element);
  return typeof given === 'string' ? given : typed;
}

/**
 * Removes the native control that was in the element for pages without scripts, and takes over what was typed
 * or picked in it.
 */
function takeFallback(element: HTMLElement): string | undefined {
  const own = [...element.children].filter((child) => !child.slot);
  let between = ' ';
  const typed = own
    .flatMap((child) =>
      isControl(child) ? [child] : [...child.querySelectorAll(controls)].filter(isControl),
    )
    .flatMap((control) => {
      const isPicked = control instanceof HTMLInputElement && /^(?:radio|checkbox)$/.test(control.type);
      // Values of options may have spaces.
      if (isPicked) between = '\n';
      if (isPicked) return control.checked ? [control.value] : [];
      // A text that somebody has deleted counts as typed too.
      const isEmptied = !(control instanceof HTMLSelectElement) && control.defaultValue !== '';
      return control.value || isEmptied ? [control.value] : [];
    });
  for (const child of own) child.remove();
  return typed.length ? typed.join(between) : undefined;
}

const controls = 'input, select, textarea';
const isControl = (element: Element): element is HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement =>
  element.matches(controls);
