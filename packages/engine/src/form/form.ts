import { formFieldTwice, formFieldUnknown, formNameTwice } from '../faults/usage.ts';
import { start } from '../field/apply.ts';
import { fieldName } from '../field/field-name.ts';
import type { FieldState } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import type { FormRule } from './form-rule.ts';
import { type Graph, graphOf } from './graph.ts';
import type { Sending, ServerFinding, Values } from './sending.ts';

/**
 * A form that can run, with the graph of its rules. Made by `hydrateForm`. `V` are the values it sends, if
 * its declaration knows them.
 */
export interface HydratedForm<V extends Values = Values> extends Graph, FormManner {
  /** Exists in types only. */
  readonly '~values'?: V;
  readonly id: string;
  readonly title: string;
  readonly fields: readonly HydratedField[];
  readonly rules: readonly FormRule[];
  /** Index of each field, by id. */
  readonly places: ReadonlyMap<string, number>;
  /** Id of each field, by its name outside of the form (`fieldName`). */
  readonly named: ReadonlyMap<string, string>;
}

/** How a form is submitted. */
export interface FormManner {
  /** `when-ready` holds an invalid form back; `always` lets a submit show what is wrong. */
  readonly submit: 'when-ready' | 'always';
  /** Id of the field that submits the form when it is complete; `null` for none. */
  readonly completes: string | null;
  /** Whether questions that no server answered hold the form back. */
  readonly unanswered: 'hold' | 'let-through';
}

/** The state of a form: its fields, the focus, and how sending stands. Immutable. */
export interface FormState {
  /** In the order of the form, in rows of 32: a change copies one row and the list of rows. */
  readonly rows: readonly (readonly FieldState[])[];
  /** Id of the focused field, or `null`. */
  readonly focus: string | null;
  readonly sending: Sending;
  /** The server's findings by field id, while the field still has the value they are about. */
  readonly serverFindings: Readonly<Record<string, ServerFinding>>;
}

/**
 * A form that can run, with the graph of its rules. Throws `RangeError` for two fields with one id or name,
 * rules about unknown fields, and circles.
 *
 * @example
 * const form = hydrateForm({ id: 'lockers', title: 'Lockers', fields: [pass] });
 */
export function hydrateForm({
  id,
  title,
  fields,
  rules = [],
  submit = 'always',
  completes = null,
  unanswered = 'hold',
}: Pick<HydratedForm, 'id' | 'title' | 'fields'> &
  Partial<FormManner> & { readonly rules?: readonly FormRule[] }): HydratedForm {
  const places = new Map(fields.map((field, i) => [field.id, i]));
  if (places.size < fields.length) throw formFieldTwice(id);
  if (completes !== null && !places.has(completes)) throw formFieldUnknown(id, completes);
  const graph = graphOf(fields, rules, (name) => places.has(name));
  const named = new Map(fields.map((field) => [fieldName(field), field.id]));
  if (named.size < fields.length) throw formNameTwice(id);
  return { id, title, fields, rules, places, named, submit, completes, unanswered, ...graph };
}

/**
 * A form of this one field. The field and its rules count, whatever conditions they have in other forms.
 *
 * @example
 * const form = hydrateAlone(pass);
 */
export function hydrateAlone(field: HydratedField): HydratedForm {
  const rules = field.rules.map((rule) => ({ ...rule, when: undefined, reads: undefined }));
  return hydrateForm({ id: field.id, title: field.label, fields: [{ ...field, rules, when: undefined }] });
}

/**
 * The state of a form before anything happened: every field with its initial value, none focused.
 *
 * @example
 * const state = startForm(booking);
 */
export function startForm(form: HydratedForm): FormState {
  const rows: FieldState[][] = [];
  for (const [i, field] of form.fields.entries()) {
    if (i % 32 === 0) rows.push([]);
    rows.at(-1)?.push(start(field));
  }
  return { rows, focus: null, sending: { is: 'no' }, serverFindings: {} };
}

/**
 * The id of a field that is given by its name or id; the same text if the form has no such field.
 *
 * @example
 * idOf(booking, 'full_name'); // 'guest'
 */
export const idOf = ({ named }: Pick<HydratedForm, 'named'>, name: string): string => named.get(name) ?? name;

/**
 * The index of a field in a form. Throws `RangeError` for an unknown id.
 *
 * @example
 * placeOf(booking, 'arrival'); // 0
 */
export function placeOf(form: HydratedForm, id: string): number {
  const place = form.places.get(id);
  if (place === undefined) throw formFieldUnknown(form.id, id);
  return place;
}

/**
 * A field of a form with its state. Throws `RangeError` for an unknown id.
 *
 * @example
 * const { field, state } = fieldOf(booking, startForm(booking), 'arrival');
 */
export function fieldOf(
  form: HydratedForm,
  state: FormState,
  id: string,
): { readonly field: HydratedField; readonly state: FieldState } {
  const place = placeOf(form, id);
  // There is a state for every field.
  return { field: form.fields[place]!, state: state.rows[place >> 5]![place & 31]! };
}

/**
 * The state of a form with the state of one field replaced.
 *
 * @example
 * const state = withField(booking, startForm(booking), 'pass', start(pass));
 */
export function withField(form: HydratedForm, state: FormState, id: string, to: FieldState): FormState {
  const place = placeOf(form, id);
  const row = state.rows[place >> 5]!;
  if (row[place & 31] === to) return state;
  return { ...state, rows: state.rows.with(place >> 5, row.with(place & 31, to)) };
}
