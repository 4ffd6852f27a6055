import type { FieldFinding, FormRecord, Values } from '@arbeit/engine/form';
import type { FormStore } from './form-store.ts';

/**
 * Sends a record and resolves to the server's findings by field; to nothing if it accepted the record. A
 * rejection means that the server could not be reached.
 */
export type SendRecord<V extends Values = Values> = (
  record: FormRecord<V>,
) => Promise<readonly FieldFinding[]>;

/**
 * Sends the record of a form when its state says so, and hands the answer in. One at a time: a form allows no
 * second submit meanwhile. Returns a function that stops.
 */
export function driveSending<V extends Values = Values>(
  store: FormStore<V>,
  send: SendRecord<V>,
): () => void {
  let present: FormRecord | null = null;
  const look = (): void => {
    const { sending } = store.state();
    if (sending.is !== 'sending') {
      // Reset in the meantime, so the response no longer matters.
      present = null;
      return;
    }
    if (sending.record === present) return;
    const { record } = sending;
    present = record;
    // The form's own declaration gives the type of its values.
    send(record as FormRecord<V>).then(
      (findings) => present === record && store.dispatch({ type: 'sent', findings }),
      () => present === record && store.dispatch({ type: 'unsent' }),
    );
  };
  const letGo = store.subscribe(look);
  look();
  return () => {
    letGo();
    present = null;
  };
}
