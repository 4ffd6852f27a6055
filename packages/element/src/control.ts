import type { FieldStore, Host } from '@arbeit/dom';
import type { HydratedField } from '@arbeit/engine/field';

/** What a field is typed into or picked from, inside its element. */
export interface Control {
  /** What stands in the frame; each drawn thing is a part (CSS Shadow Parts). */
  readonly element: HTMLElement;
  /** What a label names and a hint describes: it gets the id `control`. */
  readonly named: HTMLElement;
  /** Of a group, which a label cannot be for: it is named by the label's id. */
  readonly isGroup?: true;
  /** How it looks, beside what every field does (CSS). */
  readonly sheet?: string;
  /** Ties it to the field, which `host` stands for in its form. Returns the way to let go. */
  bind(host: Host): () => void;
  /** Draws what the field holds now, where that is more than the text. */
  draw?(): void;
  /** As a `<fieldset disabled>` around it has it. */
  disable(isDisabled: boolean): void;
  /** What gets the focus, where it is not what is named. */
  focused?(): HTMLElement | undefined;
}

/** A sort of control: makes one for a field that is drawn that way, nothing for others. */
export type Renderer = (
  store: FieldStore,
  attributes: Readonly<Record<string, string | boolean>>,
) => Control | undefined;

/** An element that is a part. */
export function part<K extends keyof HTMLElementTagNameMap>(tag: K, name: string): HTMLElementTagNameMap[K] {
  const element = document.createElement(tag);
  element.part.add(name);
  return element;
}

/** Puts attributes on an element as HTML has them: those that are true stand there, those that are false do not. */
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
 * Takes a property that a script gave an element before it was one of ours: it stands in the way of the accessor (HTML, upgrade). Returns it,
 * if there was one.
 */
export function givenBefore(element: HTMLElement, name: string): unknown {
  const given = Object.getOwnPropertyDescriptor(element, name)?.value as unknown;
  Reflect.deleteProperty(element, name);
  return given;
}

/** What a plan may say of how a field is drawn. */
export const planOf = <P>(field: HydratedField): Partial<P> => field.plan as unknown as Partial<P>;
