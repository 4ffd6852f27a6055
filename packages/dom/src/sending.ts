import type { FieldFinding, FormRecord, Values } from '@arbeit/engine/form';
import type { FormStore } from './form-store.ts';

/** Sends a record; resolves to what the server finds wrong, by field, nothing if it took it. What it throws counts as not reached. */
export type SendRecord<V extends Values = Values> = (
  record: FormRecord<V>,
) => Promise<readonly FieldFinding[]>;

/**
 * Sends a form's record whenever the form says that it is being sent, and hands the server's word in. One at a time: the form lets no
 * second submit happen meanwhile. Returns the way to stop, after which no word is handed in.
 */
export function driveSending<V extends Values = Values>(
  store: FormStore<V>,
  send: SendRecord<V>,
): () => void {
  let present: FormRecord | null = null;
  const look = (): void => {
    const { sending } = store.state();
    if (sending.is !== 'sending') {
      // Reset meanwhile: what comes back is about nothing any more.
      present = null;
      return;
    }
    if (sending.record === present) return;
    const { record } = sending;
    present = record;
    // What values these can be, the form's own declaration says.
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
