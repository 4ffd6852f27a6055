import type { OpenField } from '../field/kind.ts';
import type { FieldEvent, FieldState } from '../field/moment.ts';
import { apply, start } from '../field/state.ts';

/** A form of open fields. */
export interface OpenForm {
  readonly id: string;
  readonly title: string;
  readonly fields: readonly OpenField[];
}

/** A form at one moment: its fields and which of them has the focus. Immutable. */
export interface FormState {
  readonly fields: Readonly<Record<string, FieldState>>;
  /** Id of the focused field, `null` when none is. */
  readonly focus: string | null;
}

/** What happens to a form: something to the focused field, the focus moving, a submit or a reset of them all. */
export type FormEvent =
  | { readonly type: 'focus'; readonly field: string }
  | { readonly type: 'leave' | 'submit' | 'reset' }
  /** `field`: not the focused one but this, by the program or the browser. */
  | { readonly type: 'field'; readonly event: FieldEvent; readonly field?: string };

export function startForm(form: OpenForm): FormState {
  return { fields: Object.fromEntries(form.fields.map((field) => [field.id, start(field)])), focus: null };
}

/** What the event makes of the form. An event for the focused field without a focus changes nothing. */
export function applyToForm(form: OpenForm, state: FormState, event: FormEvent): FormState {
  const at = (id: string | null, then: FieldEvent): Record<string, FieldState> => {
    const field = form.fields.find((f) => f.id === id);
    return field
      ? { ...state.fields, [field.id]: apply(field, state.fields[field.id]!, then) }
      : { ...state.fields };
  };
  switch (event.type) {
    case 'focus': {
      if (event.field === state.focus) return state;
      const left = { ...state, fields: at(state.focus, { type: 'leave' }) };
      const field = form.fields.find((f) => f.id === event.field);
      if (!field) throw new RangeError(`The form "${form.id}" has no field "${event.field}".`);
      const focused = apply(field, left.fields[field.id]!, { type: 'focus' });
      return { focus: field.id, fields: { ...left.fields, [field.id]: focused } };
    }
    case 'leave':
      return { focus: null, fields: at(state.focus, { type: 'leave' }) };
    case 'submit':
    case 'reset': {
      const all = form.fields.map(
        (f) => [f.id, apply(f, state.fields[f.id]!, { type: event.type })] as const,
      );
      return { ...state, fields: Object.fromEntries(all) };
    }
    case 'field':
      return { ...state, fields: at(event.field ?? state.focus, event.event) };
  }
}
