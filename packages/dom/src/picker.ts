import type { FieldStore } from './store.ts';

/** Options of what is drawn beside a field to choose its value. */
export interface PickerOptions {
  /** Replaces the device's clock (ISO 8601). */
  readonly today?: string | undefined;
}

/**
 * Draws a button beside a field, and what it opens to choose a value. It returns a function that draws them
 * into an element, which returns a function that removes them.
 */
export type Picker = (
  store: FieldStore,
  options?: PickerOptions,
) => (place: HTMLElement) => (() => void) | undefined;

/**
 * The pickers of a page by what a kind has beside its control (`Kind.adornments`): a page carries only those
 * that its fields need. For other fields nothing is drawn.
 *
 * @example
 * const picker = pickerOf({ calendar });
 * const remove = picker(createStore(pass, evaluateOn()))(document.body);
 */
export const pickerOf =
  (table: Readonly<Record<string, Picker>>): Picker =>
  (store, options) =>
  (place) => {
    const { kind, plan } = store.field;
    const name = kind.adornments?.(plan)?.find((one) => Object.hasOwn(table, one));
    return name === undefined ? undefined : table[name]?.(store, options)(place);
  };

/** What a disclosure shows. */
export interface Disclosed {
  /** The text of the button now. */
  text(): string;
  /** The accessible name of the button now. It begins with its text (WCAG 2.2, 2.5.3). */
  name(): string;
  /** The accessible name of the panel. */
  readonly panel: string;
  /** Fills the panel and focuses its first control. `close` closes it and returns the focus to the field. */
  draw(panel: HTMLElement, close: () => void): void;
}

/** Creates an element that pages find by `data-arbeit` and, in a shadow tree, as a part. */
export function made<K extends keyof HTMLElementTagNameMap>(
  tag: K,
  name: string,
  text = '',
): HTMLElementTagNameMap[K] {
  const element = document.createElement(tag);
  element.dataset.arbeit = name;
  element.setAttribute('part', name);
  element.textContent = text;
  return element;
}

/** The control that a picker belongs to: the nearest one around its place. */
function controlNear(place: HTMLElement): HTMLInputElement | undefined {
  for (let around = place.parentElement ?? place.parentNode; around; around = around.parentNode) {
    const all = (around as ParentNode).querySelectorAll<HTMLInputElement>('input, textarea');
    const control = [...all].find((one) => !place.contains(one));
    if (control) return control;
  }
  return undefined;
}

/**
 * A button with a panel that it opens and closes (WAI-ARIA, dialog without a backdrop). The panel closes with
 * Escape, with a press elsewhere and when the focus leaves it. Returns a function that removes both.
 */
export function disclosure(place: HTMLElement, store: FieldStore, shown: Disclosed): () => void {
  const button = made('button', 'opener');
  button.type = 'button';
  button.ariaHasPopup = 'dialog';
  let panel: HTMLElement | undefined;
  const tell = (): void => {
    button.textContent = shown.text();
    button.ariaLabel = shown.name();
  };
  const close = (): void => {
    if (!panel) return;
    const closing = panel;
    // Removing it moves the focus, which closes it again.
    panel = undefined;
    closing.remove();
    button.ariaExpanded = 'false';
  };
  const open = (): void => {
    const control = controlNear(place);
    if (control?.readOnly || control?.matches(':disabled')) return;
    panel = made('div', 'panel');
    panel.role = 'dialog';
    panel.ariaLabel = shown.panel;
    place.append(panel);
    button.ariaExpanded = 'true';
    shown.draw(panel, () => {
      close();
      (control ?? button).focus();
    });
  };
  const isOutside = (event: Event): boolean => !event.composedPath().includes(place);
  const release = new AbortController();
  const { signal } = release;
  button.addEventListener('click', () => (panel ? close() : open()), { signal });
  place.addEventListener(
    'keydown',
    (event) => {
      if (event.key !== 'Escape' || !panel) return;
      // A dialog around the field stays open.
      event.stopPropagation();
      event.preventDefault();
      close();
      button.focus();
    },
    { signal },
  );
  place.addEventListener(
    'focusout',
    ({ relatedTarget }) => {
      if (relatedTarget instanceof Node && !place.contains(relatedTarget)) close();
    },
    { signal },
  );
  place.ownerDocument.addEventListener('pointerdown', (event) => isOutside(event) && close(), { signal });
  const letGo = store.subscribe(tell);
  button.ariaExpanded = 'false';
  tell();
  place.append(button);
  return () => {
    release.abort();
    letGo();
    close();
    button.remove();
  };
}
