import { fieldName } from '@arbeit/engine/field';
import type { FieldFinding } from '@arbeit/engine/form';
import type { FormStore } from './form-store.ts';

/** What a server answered to the record of a form. */
export interface ServerAnswer {
  /** What it found, by field; shown at the fields. */
  readonly findings: readonly FieldFinding[];
  /**
   * What was sent, raw values by name of the field: `refill…` of the server. A page without scripts is drawn
   * anew, and is filled in with it.
   */
  readonly raw?: Readonly<Record<string, string>> | undefined;
}

/**
 * Fills a new form with what was sent, and shows what the server found. For a page that is drawn on a server
 * after a submit without scripts.
 *
 * @example
 * refill(formStore, { findings: [], raw: { pass: '1234' } });
 */
export function refill(store: FormStore, { findings, raw = {} }: ServerAnswer): void {
  for (const field of store.form.fields) {
    const { id } = field;
    const text = raw[fieldName(field)];
    if (text !== undefined) store.dispatch({ type: 'field', field: id, event: { type: 'set', text } });
  }
  store.dispatch({ type: 'submit' });
  store.dispatch({ type: 'sent', findings });
  // Nothing has the focus yet on a page that is only drawn.
  store.dispatch({ type: 'leave' });
}
