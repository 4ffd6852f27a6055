import { createStore, evaluateOn, type FieldStore } from '@arbeit/dom';
import { type Evaluation, fieldName, type HydratedField } from '@arbeit/engine/field';
import type { Renderer } from './control.ts';
import { elementStyles } from './element-styles.ts';
import { drawn, dressElement, hostOf, teller, typedBefore, type View } from './field-view.ts';
import { listenToEnter } from './implicit.ts';
import { ownAttributes, takeOver } from './own-attributes.ts';
import type { FieldShell } from './shell.ts';
import { type Sources, waitFor } from './sources.ts';
import { noField } from './usage.ts';
import { validityOf } from './validity.ts';

/** The element of a field, for scripts. */
export interface FieldElement extends HTMLElement {
  /** The store of its field. Throws `RangeError` while there is no definition with this name. */
  readonly store: FieldStore;
  /** The raw value, as of a native control. */
  value: string;
  /** The typed value; `null` until complete and well-formed. */
  readonly typed: string | null;
  readonly evaluation: Evaluation;
  name: string;
  readonly form: HTMLFormElement | null;
  readonly validity: ValidityState;
  readonly validationMessage: string;
  readonly willValidate: boolean;
  /**
   * A problem that the page found itself (HTML, constraint validation); an empty text if there is none. Its
   * form is held back meanwhile.
   */
  setCustomValidity(message: string): void;
  /** Whether it is valid. Shows nothing. */
  checkValidity(): boolean;
  /** Whether it is valid. Shows the message if not. */
  reportValidity(): boolean;
}

/** What elements need to know of the page's fields. */
export interface FieldTable {
  /** Compiled fields by id. */
  readonly fields: ReadonlyMap<string, HydratedField>;
  /** Controls beside a line of text, tried in this order. */
  readonly drawings: readonly Renderer[];
  /** The clock (ISO 8601). Default: the device's. */
  readonly today?: string | undefined;
  /** Asks a field's questions while it is on the page. */
  readonly drive?: ((store: FieldStore) => () => void) | undefined;
}

/** The element around fields of one form. */
export interface StoreOwner extends HTMLElement {
  /** The store of one of its fields; `undefined` for an unknown id. */
  storeOf(id: string): FieldStore | undefined;
  /** Whether the hand-off with its form is not loaded yet. */
  isMissing?(): boolean;
}

/** The closest element around a node that has stores for its fields, also outside of its shadow tree. */
function ownerOf(node: Node): StoreOwner | undefined {
  for (let at: Node | null = node.parentNode; at; at = at instanceof ShadowRoot ? at.host : at.parentNode)
    if ('storeOf' in at) return at as StoreOwner;
  return undefined;
}

/**
 * Whether a node is in the element of a form whose hand-off is not loaded yet, so that its fields are
 * unknown.
 */
function isInMissingForm(node: Node): boolean {
  for (let at: Node | null = node.parentNode; at; at = at instanceof ShadowRoot ? at.host : at.parentNode) {
    if ('storeOf' in at) return (at as StoreOwner).isMissing?.() === true;
    if (at instanceof Element && /-form$/.test(at.localName) && !at.matches(':defined')) return true;
  }
  return false;
}

/** The store of an element's field: its form's if it is in one, otherwise one of its own. */
function storeFor(element: HTMLElement, { fields, today }: FieldTable): FieldStore {
  const id = idOf(element);
  const own = ownerOf(element)?.storeOf(id);
  if (own) return own;
  const field = fields.get(id);
  if (!field) throw noField(id);
  return createStore(field, evaluateOn(today));
}

const sheets = new WeakMap<Document, Map<string, CSSStyleSheet>>();

/** The style sheets of an element, one per page for all elements. */
function sheetsFor(page: Document, { control }: View): CSSStyleSheet[] {
  const known = sheets.get(page) ?? new Map<string, CSSStyleSheet>();
  sheets.set(page, known);
  return [elementStyles, control.sheet ?? ''].filter(Boolean).map((text) => {
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

/**
 * The members that every native form control has (HTML, form-associated custom elements), implemented by
 * internals.
 */
const nativeFace = () =>
  class extends HTMLElement {
    static readonly formAssociated = true;
    static readonly observedAttributes = ['field', 'name', ...ownAttributes];
    readonly #internals = this.attachInternals();
    /** Whether a program only asks if it is valid. */
    #isAsking = false;
    /** What runs it, and what the page says of its validity. */
    protected shellWith(root: ShadowRoot, problem: () => string): FieldShell {
      return { element: this, internals: this.#internals, root, isAsking: () => this.#isAsking, problem };
    }
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
      return this.#internals.form;
    }
    get validity(): ValidityState {
      return this.#internals.validity;
    }
    get validationMessage(): string {
      return this.#internals.validationMessage;
    }
    get willValidate(): boolean {
      return this.#internals.willValidate;
    }
    checkValidity(): boolean {
      this.#isAsking = true;
      const isValid = this.#internals.checkValidity();
      this.#isAsking = false;
      return isValid;
    }
    reportValidity(): boolean {
      return this.#internals.reportValidity();
    }
  };

/** The members about its value, on top. */
const valueFace = () =>
  class extends nativeFace() {
    get store(): FieldStore {
      throw noField(idOf(this));
    }
    get evaluation(): Evaluation {
      return this.store.evaluation();
    }
    get value(): string {
      return this.evaluation.raw;
    }
    set value(text: string) {
      this.store.dispatch({ type: 'set', text });
    }
    get typed(): string | null {
      return this.evaluation.value;
    }
    formStateRestoreCallback(state: unknown): void {
      if (typeof state === 'string') this.value = state;
    }
  };

/** Runs one element. Made by the hand-off that has the definition. */
export interface FieldController {
  readonly store: FieldStore;
  connect(): void;
  disconnect(): void;
  focus(options?: FocusOptions): void;
  disable(isDisabled: boolean): void;
  /** Takes over what the page has set on the element: its attributes, and what it says of its validity. */
  refresh(): void;
}

/** Compiled fields, with what runs their elements. */
export interface FieldSource {
  /** Whether it has the definition. `field`: exactly the one that the form around the element uses. */
  has(id: string, field: HydratedField | undefined): boolean;
  make(shell: FieldShell): FieldController;
}

/** The id of an element's field: its attribute `field`, otherwise its name. */
const idOf = (element: HTMLElement): string =>
  element.getAttribute('field') ?? element.getAttribute('name') ?? '';

/**
 * The source with an element's field. `isLast`: a form around it that is missing now will not come any more.
 */
function sourceFor(
  element: HTMLElement,
  all: readonly FieldSource[],
  isLast: boolean,
): FieldSource | undefined {
  if (!isLast && isInMissingForm(element)) return undefined;
  const id = idOf(element);
  const field = ownerOf(element)?.storeOf(id)?.field;
  // A field known only to the element around it is drawn by the first source.
  return all.find((source) => source.has(id, field)) ?? (field && all[0]);
}

/** The source for the fields of a table. */
export const fieldSource = (table: FieldTable): FieldSource => ({
  has: (id, field) => (field ? table.fields.get(id) === field : table.fields.has(id)),
  make: (shell) => controllerOf(shell, table),
});

function controllerOf(shell: FieldShell, table: FieldTable): FieldController {
  const { root, internals, element } = shell;
  const store = storeFor(element, table);
  let view: View | undefined;
  let release = new AbortController();
  let letGo: readonly (() => void)[] = [];
  let isDisabled = false;
  let refresh = (): void => {};
  const disable = (): void => view?.control.disable(isDisabled || store.field.html.disabled === true);
  return {
    store,
    connect() {
      const typed = typedBefore(element);
      if (typed !== undefined && typed !== store.evaluation().display)
        store.dispatch({ type: 'set', text: typed });
      if (!element.hasAttribute('name')) element.setAttribute('name', fieldName(store.field));
      dressElement(element, store);
      const present = drawn(store, table.drawings, { today: table.today });
      view = present;
      root.adoptedStyleSheets = sheetsFor(element.ownerDocument, present);
      root.replaceChildren(...present.elements);
      disable();
      const validity = validityOf(shell, present.control.named, store);
      const tellField = teller(element, internals, present, store);
      const tell = (): void => {
        tellField();
        validity.settle();
      };
      refresh = () => {
        takeOver(element, present, store);
        tell();
      };
      release = new AbortController();
      const { signal } = release;
      letGo = [
        present.control.bind(hostOf(shell, present, validity)),
        store.subscribe(tell),
        ...(table.drive && !store.inForm ? [table.drive(store)] : []),
      ];
      // `change` does not leave the shadow tree (DOM, composed), so the element dispatches its own.
      root.addEventListener(
        'change',
        (event) => {
          if (!event.composed) element.dispatchEvent(new Event('change', { bubbles: true }));
        },
        { signal },
      );
      listenToEnter(root, () => internals.form, signal);
      refresh();
    },
    disconnect() {
      for (const stop of letGo) stop();
      letGo = [];
      release.abort();
      refresh = () => {};
    },
    refresh: () => refresh(),
    // Focuses the control like a native input; the browser's own delegation would select its whole text.
    focus: (options) => (view?.control.focused?.() ?? view?.control.named)?.focus(options),
    disable(now) {
      isDisabled = now;
      disable();
    },
  };
}

/**
 * The class of `<arbeit-field>`. It finds its definition by the attribute `field` in the hand-offs of the
 * page. Only called where there is a page.
 */
export function fieldElementClass(sources: Sources<FieldSource>): CustomElementConstructor {
  return class extends valueFace() implements FieldElement {
    readonly #shell = this.shellWith(
      this.attachShadow({ mode: 'open', delegatesFocus: true }),
      () => this.#problem,
    );
    #problem = '';
    #controller: FieldController | undefined;
    #stopWaiting: (() => void) | undefined;
    #isDisabled = false;

    #find(isLast = false): FieldController | undefined {
      if (this.#controller) return this.#controller;
      this.#controller = sourceFor(this, sources.all, isLast)?.make(this.#shell);
      this.#controller?.disable(this.#isDisabled);
      return this.#controller;
    }
    get #missing(): RangeError {
      return noField(idOf(this));
    }
    override get store(): FieldStore {
      const found = this.#find(true);
      if (!found) throw this.#missing;
      return found.store;
    }
    connectedCallback(): void {
      const found = this.#find();
      if (found) {
        found.connect();
        return;
      }
      const look = (isLast: boolean): boolean => {
        if (!this.#find(isLast)) return false;
        this.#stopWaiting?.();
        this.#stopWaiting = undefined;
        this.#controller?.connect();
        return true;
      };
      // Everything has loaded: a form that is still missing will not come.
      const message = (): string | undefined => (look(true) ? undefined : this.#missing.message);
      this.#stopWaiting = waitFor(sources, this.ownerDocument, () => look(false), message);
    }
    disconnectedCallback(): void {
      this.#stopWaiting?.();
      this.#stopWaiting = undefined;
      this.#controller?.disconnect();
      // In another place it may belong to another form.
      if (this.#controller?.store.inForm) this.#controller = undefined;
    }
    setCustomValidity(message: string): void {
      this.#problem = message;
      this.#controller?.refresh();
    }
    attributeChangedCallback(name: string, before: string | null, now: string | null): void {
      if (before === now || !(this.#controller || this.#stopWaiting)) return;
      if (name !== 'field') {
        this.#controller?.refresh();
        return;
      }
      this.disconnectedCallback();
      this.#controller = undefined;
      if (this.isConnected) this.connectedCallback();
    }
    override focus(options?: FocusOptions): void {
      this.#controller?.focus(options);
    }
    formDisabledCallback(isDisabled: boolean): void {
      this.#isDisabled = isDisabled;
      this.#controller?.disable(isDisabled);
    }
  };
}
