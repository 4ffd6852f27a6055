import type { OpenField } from '../field/kind.ts';
import type { FieldEvent, FieldState } from '../field/moment.ts';
import { apply, start } from '../field/state.ts';
import type { FormRule } from './form-rule.ts';

/** A form of open fields, with what follows from its rules worked out once. Made by `openForm`. */
export interface OpenForm {
  readonly id: string;
  readonly title: string;
  readonly fields: readonly OpenField[];
  /** Where each field stands among them, by id. */
  readonly places: ReadonlyMap<string, number>;
  /** The rules whose message stands at a field, by its id. */
  readonly rulesAt: ReadonlyMap<string, readonly FormRule[]>;
  /** The fields whose reading may be another when a field changes, itself first, by its id. */
  readonly concerns: ReadonlyMap<string, readonly string[]>;
}

/** A form at one moment: its fields and which of them has the focus. Immutable. */
export interface FormState {
  /** In the form's order. A change copies this list and nothing in it: 1 to 3 µs for a thousand fields. */
  readonly fields: readonly FieldState[];
  /** Id of the focused field, `null` when none is. */
  readonly focus: string | null;
}

/** What happens to a form: something to the focused field, the focus moving, a submit or a reset of them all. */
export type FormEvent =
  | { readonly type: 'focus'; readonly field: string }
  | { readonly type: 'leave' | 'submit' | 'reset' }
  /** `field`: not the focused one but this, by the program or the browser. */
  | { readonly type: 'field'; readonly event: FieldEvent; readonly field?: string };

/** Brings a form to life. Throws `RangeError` for two fields of one id, and for a rule about a field that is not in it. */
export function openForm({
  id,
  title,
  fields,
  rules = [],
}: Pick<OpenForm, 'id' | 'title' | 'fields'> & { readonly rules?: readonly FormRule[] }): OpenForm {
  const places = new Map(fields.map((field, i) => [field.id, i]));
  if (places.size < fields.length) throw new RangeError(`Two fields of the form "${id}" have one id.`);
  const rulesAt = new Map<string, FormRule[]>();
  const concerns = new Map<string, string[]>(fields.map((field) => [field.id, [field.id]]));
  for (const rule of rules) {
    for (const name of [rule.field, ...rule.reads])
      if (!places.has(name)) throw new RangeError(`The rule "${rule.id}" is about no field: "${name}".`);
    rulesAt.set(rule.field, [...(rulesAt.get(rule.field) ?? []), rule]);
    for (const name of rule.reads) {
      const concerned = concerns.get(name);
      if (concerned && !concerned.includes(rule.field)) concerned.push(rule.field);
    }
  }
  return { id, title, fields, places, rulesAt, concerns };
}

/** The form before anything happened: every field with its initial value, none focused. */
export const startForm = (form: OpenForm): FormState => ({ fields: form.fields.map(start), focus: null });

/** Where a field stands in the form. Throws `RangeError` when it is not in it. */
export function placeOf(form: OpenForm, id: string): number {
  const place = form.places.get(id);
  if (place === undefined) throw new RangeError(`The form "${form.id}" has no field "${id}".`);
  return place;
}

/** A field of the form and how it is. Throws `RangeError` when it is not in it. */
export function fieldOf(
  form: OpenForm,
  state: FormState,
  id: string,
): { readonly field: OpenField; readonly state: FieldState } {
  const place = placeOf(form, id);
  // There is a state for every field.
  return { field: form.fields[place]!, state: state.fields[place]! };
}

/** What the event makes of the form. An event for the focused field without a focus changes nothing. */
export function applyToForm(form: OpenForm, state: FormState, event: FormEvent): FormState {
  switch (event.type) {
    case 'focus': {
      if (event.field === state.focus) return state;
      const left = at(form, state, state.focus, { type: 'leave' });
      return { ...at(form, left, event.field, { type: 'focus' }), focus: event.field };
    }
    case 'leave':
      if (state.focus === null) return state;
      return { ...at(form, state, state.focus, { type: 'leave' }), focus: null };
    case 'submit':
    case 'reset':
      return {
        ...state,
        fields: form.fields.map((field, i) => apply(field, state.fields[i]!, { type: event.type })),
      };
    case 'field':
      return at(form, state, event.field ?? state.focus, event.event);
  }
}

/** The form after something happened to one of its fields. */
function at(form: OpenForm, state: FormState, id: string | null, event: FieldEvent): FormState {
  if (id === null) return state;
  const { field, state: before } = fieldOf(form, state, id);
  const after = apply(field, before, event);
  return after === before ? state : { ...state, fields: state.fields.with(placeOf(form, id), after) };
}

/** The fields whose reading the event may change: those it reaches, and those at which a rule speaks of them. */
export function reachOf(form: OpenForm, state: FormState, event: FormEvent): readonly string[] {
  const direct = directly(state, event);
  if (direct === 'all') return form.fields.map(({ id }) => id);
  const reached = new Set(direct.flatMap((id) => form.concerns.get(id) ?? []));
  return [...reached];
}

function directly(state: FormState, event: FormEvent): readonly string[] | 'all' {
  const focused = state.focus === null ? [] : [state.focus];
  switch (event.type) {
    case 'focus':
      return [...focused, event.field];
    case 'leave':
      return focused;
    case 'submit':
    case 'reset':
      return 'all';
    case 'field':
      return event.field === undefined ? focused : [event.field];
  }
}
