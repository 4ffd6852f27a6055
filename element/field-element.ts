import { createStore, type FieldStore, readOn } from '@arbeit/dom';
import type { OpenField, Reading } from '@arbeit/engine/field';
import type { Drawing } from './control.ts';
import { drawn, dressElement, hostOf, teller, typedBefore, type View } from './field-view.ts';
import { sheet } from './sheet.ts';

/** A field's element, to whoever writes to it from a script. */
export interface FieldElement extends HTMLElement {
  /** What is typed, checked and told of. Throws `RangeError` while no definition of that name is known. */
  readonly store: FieldStore;
  /** The raw value, to be read and written, as of a native control. */
  value: string;
  /** The typed value, `null` until there is a whole one. */
  readonly typed: string | null;
  readonly reading: Reading;
  name: string;
  readonly form: HTMLFormElement | null;
  readonly validity: ValidityState;
  readonly validationMessage: string;
  readonly willValidate: boolean;
  /** Whether it is valid; nobody is shown anything. */
  checkValidity(): boolean;
  /** Whether it is valid; where it is not, its message is shown. */
  reportValidity(): boolean;
}

/** What an element needs to know of the page's fields. */
export interface FieldTable {
  /** Definitions by id. */
  readonly fields: ReadonlyMap<string, OpenField>;
  /** Controls beside a line to type into, tried in this order. */
  readonly drawings: readonly Drawing[];
  /** The clock, ISO 8601; left out, the device's. */
  readonly today?: string | undefined;
  /** Puts a field's questions while it is on the page. */
  readonly drive?: ((store: FieldStore) => () => void) | undefined;
}

/** An element around fields that share a form's state. */
export interface StoreOwner extends HTMLElement {
  /** The store of one of its fields; nothing for one it does not have. */
  storeOf(id: string): FieldStore | undefined;
}

/** The next element around a node that has stores for its fields, out of shadow trees as well. */
function ownerOf(node: Node): StoreOwner | undefined {
  for (let at: Node | null = node.parentNode; at; at = at instanceof ShadowRoot ? at.host : at.parentNode)
    if ('storeOf' in at) return at as StoreOwner;
  return undefined;
}

/** The store of an element's field: its form's, where it stands in one that has it, else one of its own. */
function storeFor(element: HTMLElement, { fields, today }: FieldTable): FieldStore {
  const id = element.getAttribute('field') ?? element.getAttribute('name') ?? '';
  const own = ownerOf(element)?.storeOf(id);
  if (own) return own;
  const field = fields.get(id);
  if (!field) throw new RangeError(`There is no field "${id}" among those the elements were defined with.`);
  return createStore(field, readOn(today));
}

const sheets = new WeakMap<Document, Map<string, CSSStyleSheet>>();

/** The style sheets of an element: on a page each is one for all its elements. */
function sheetsFor(page: Document, { control }: View): CSSStyleSheet[] {
  const known = sheets.get(page) ?? new Map<string, CSSStyleSheet>();
  sheets.set(page, known);
  return [sheet, control.sheet ?? ''].filter(Boolean).map((text) => {
    let found = known.get(text);
    if (!found) {
      // Elements are only ever on a page that is shown.
      found = new page.defaultView!.CSSStyleSheet();
      found.replaceSync(text);
      known.set(text, found);
    }
    return found;
  });
}

/** The part of a form control that every native one has (HTML, form-associated custom elements), by its internals. */
const nativeFace = () =>
  class extends HTMLElement {
    static readonly formAssociated = true;
    static readonly observedAttributes = ['field'];
    readonly internals = this.attachInternals();
    /** A program only asks whether it is valid. */
    isAsking = false;
    get type(): string {
      return this.localName;
    }
    get name(): string {
      return this.getAttribute('name') ?? '';
    }
    set name(name: string) {
      this.setAttribute('name', name);
    }
    get form(): HTMLFormElement | null {
      return this.internals.form;
    }
    get validity(): ValidityState {
      return this.internals.validity;
    }
    get validationMessage(): string {
      return this.internals.validationMessage;
    }
    get willValidate(): boolean {
      return this.internals.willValidate;
    }
    checkValidity(): boolean {
      this.isAsking = true;
      const isValid = this.internals.checkValidity();
      this.isAsking = false;
      return isValid;
    }
    reportValidity(): boolean {
      return this.internals.reportValidity();
    }
  };

/** The class of `<arbeit-field>`, which finds its definition in a table by its attribute `field`. Made where there is a page. */
export function fieldElementClass(table: FieldTable): CustomElementConstructor {
  return class extends nativeFace() implements FieldElement {
    readonly #root = this.attachShadow({ mode: 'open', delegatesFocus: true });
    #store: FieldStore | undefined;
    #view: View | undefined;
    #letGo: readonly (() => void)[] = [];
    #isDisabled = false;

    get store(): FieldStore {
      this.#store ??= storeFor(this, table);
      return this.#store;
    }
    get reading(): Reading {
      return this.store.reading();
    }
    get value(): string {
      return this.reading.raw;
    }
    set value(text: string) {
      this.store.dispatch({ type: 'set', text });
    }
    get typed(): string | null {
      return this.reading.value;
    }
    connectedCallback(): void {
      const { store } = this;
      const typed = typedBefore(this);
      if (typed !== undefined && typed !== store.reading().display) this.value = typed;
      if (!this.hasAttribute('name')) this.name = store.field.id;
      dressElement(this, store);
      const view = drawn(store, table.drawings);
      this.#root.adoptedStyleSheets = sheetsFor(this.ownerDocument, view);
      this.#root.replaceChildren(...view.elements);
      this.#view = view;
      this.formDisabledCallback(this.#isDisabled);
      const tell = teller(this, this.internals, view, store);
      this.#letGo = [
        view.control.bind(hostOf(this, this.internals, view.control, () => this.isAsking)),
        store.subscribe(tell),
        ...(table.drive && !store.inForm ? [table.drive(store)] : []),
      ];
      // Told inside alone (DOM, `change` is not composed): the page hears it from the element.
      this.#root.addEventListener('change', this.#onChange);
      tell();
    }
    disconnectedCallback(): void {
      for (const stop of this.#letGo) stop();
      this.#letGo = [];
      this.#root.removeEventListener('change', this.#onChange);
      // In another place it may stand in another form.
      if (this.#store?.inForm) this.#store = undefined;
    }
    attributeChangedCallback(_: string, before: string | null, now: string | null): void {
      if (before === now || !this.#view) return;
      this.disconnectedCallback();
      this.#store = undefined;
      if (this.isConnected) this.connectedCallback();
    }
    /** On to the control, as a native one is focused: the browser's own way would select all that stands there. */
    override focus(options?: FocusOptions): void {
      const control = this.#view?.control;
      (control?.focused?.() ?? control?.named)?.focus(options);
    }
    formDisabledCallback(isDisabled: boolean): void {
      this.#isDisabled = isDisabled;
      this.#view?.control.disable(isDisabled || this.store.field.html.disabled === true);
    }
    formStateRestoreCallback(state: unknown): void {
      if (typeof state === 'string') this.value = state;
    }
    readonly #onChange = (event: Event): void => {
      if (!event.composed) this.dispatchEvent(new Event('change', { bubbles: true }));
    };
  };
}
