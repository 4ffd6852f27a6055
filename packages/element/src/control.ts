import type { FieldStore, Host, PickerOptions } from '@arbeit/dom';
import type { HydratedField } from '@arbeit/engine/field';

/** The control inside a field's element. */
export interface Control {
  /** The content of the frame; each drawn part is a `part` (CSS Shadow Parts). */
  readonly element: HTMLElement;
  /** The element that the label names and the hint describes. It gets the id `control`. */
  readonly named: HTMLElement;
  /** A group cannot have a `<label for>`: it is named by the label's id. */
  readonly isGroup?: true;
  /** Styles beside those of every field (CSS). */
  readonly sheet?: string;
  /** Binds it to the field of `host`. Returns a function that unbinds. */
  bind(host: Host): () => void;
  /** Draws the current state if that is more than the text. */
  draw?(): void;
  /** Disables the control, as a `<fieldset disabled>` around the element does. */
  disable(isDisabled: boolean): void;
  /** The element that gets the focus, if it is not `named`. */
  focused?(): HTMLElement | undefined;
}

/**
 * Makes the control of a field that is drawn this way; `undefined` for other fields. `options`: the clock of
 * the page.
 */
export type Renderer = (
  store: FieldStore,
  attributes: Readonly<Record<string, string | boolean>>,
  options: PickerOptions,
) => Control | undefined;

/** Creates an element that is a part. */
export function part<K extends keyof HTMLElementTagNameMap>(tag: K, name: string): HTMLElementTagNameMap[K] {
  const element = document.createElement(tag);
  element.part.add(name);
  return element;
}

/** Sets attributes as HTML has them: `true` is present, `false` is absent. */
export function setAttributes(
  element: HTMLElement,
  attributes: Readonly<Record<string, string | boolean>>,
): void {
  for (const [name, value] of Object.entries(attributes)) {
    const isAria = name.startsWith('aria-');
    if (value === false && !isAria) element.removeAttribute(name);
    else element.setAttribute(name, value === true && !isAria ? '' : String(value));
  }
}

/**
 * Removes and returns a property that a script set before the element was defined. It would hide the accessor
 * (HTML, upgrade).
 */
export function givenBefore(element: HTMLElement, name: string): unknown {
  const given = Object.getOwnPropertyDescriptor(element, name)?.value as unknown;
  Reflect.deleteProperty(element, name);
  return given;
}

/** The members of a plan that say how a field is drawn. */
export const planOf = <P>(field: HydratedField): Partial<P> => field.plan as unknown as Partial<P>;
