import type { FieldStore, FormStore } from '@arbeit/dom';
import type { HydratedField } from '@arbeit/engine/field';
import type { HydratedForm } from '@arbeit/engine/form';
import type { Renderer } from './control.ts';
import { fieldElementClass, fieldSource } from './field-element.ts';
import { formElementClass, formSource } from './form-element.ts';
import { defineWith } from './sources.ts';

/** Options of the elements of a page. */
export interface FieldElementOptions {
  /** Controls beside a line of text: `picks` for choices, `boxes` for codes. */
  readonly drawings?: readonly Renderer[];
  /** The clock (ISO 8601). Default: the device's. */
  readonly today?: string;
  /** Asks the questions of fields outside of forms: `(store) => driveAsks(store, askByFetch())`. */
  readonly drive?: (store: FieldStore) => () => void;
  /** Name of the element. */
  readonly tag?: `${string}-${string}`;
}

/** Whether elements can be defined: a server that renders a page imports this module too. */
const hasElements = (): boolean => typeof customElements !== 'undefined';

/**
 * Defines `<arbeit-field>` for these fields. Fields of a form belong into a form's element: define that
 * first. On a server it does nothing. If another hand-off of the page has defined the tag, these fields are
 * added to it.
 *
 * @example
 * defineFields([pass, arrival]);
 */
export function defineFields(fields: readonly HydratedField[], options: FieldElementOptions = {}): void {
  if (!hasElements()) return;
  const { drawings = [], today, drive, tag = 'arbeit-field' } = options;
  const table = { fields: new Map(fields.map((field) => [field.id, field])), drawings, today, drive };
  defineWith(tag, fieldSource(table), fieldElementClass);
}

/**
 * Defines `<arbeit-form>` for these forms. On a server it does nothing.
 *
 * @example
 * defineForms([booking]);
 */
export function defineForms(
  forms: readonly HydratedForm[],
  options: {
    readonly today?: string;
    /** Asks the questions of the form's fields: `(store) => driveFormAsks(store, askByFetch())`. */
    readonly drive?: (store: FormStore) => () => void;
    readonly tag?: `${string}-${string}`;
  } = {},
): void {
  if (!hasElements()) return;
  const { today, drive, tag = 'arbeit-form' } = options;
  const table = { forms: new Map(forms.map((form) => [form.id, form])), today, drive };
  defineWith(tag, formSource(table), formElementClass);
}
