import type { FieldEvent } from '@arbeit/engine/field';
import { writeEvents } from '@arbeit/engine/tape';
import { localToday } from './clock.ts';
import { isConcealed } from './secret.ts';
import type { FieldStore } from './store.ts';

/** A tape of what somebody does to a field where it runs. It stays in the page: what is sent, and to whom, is the page’s own matter. */
export interface Recording {
  /** The tape so far, as text: a file of it opens on the desk. */
  text(): string;
  /** Ends it; what was recorded can be read still. */
  stop(): void;
}

/** So many events at most: whoever needs more has a page that is open for days. */
const most = 5000;

/** A character in its place: what a concealed field holds is nobody’s business. */
const dots = (text: string): string => text.replace(/./gsu, '•');

/** Whether what stands in a field is not to be read by others: it is drawn concealed, or the browser is told that it is a secret. */
const isSecretIn = ({ field }: FieldStore): boolean =>
  isConcealed(field) || /password|one-time-code|cc-/.test(String(field.html.autocomplete ?? ''));

/**
 * Records what happens to a field from now on. Nothing is recorded unless you call this. Characters of
 * concealed fields are recorded as dots: such a tape shows what was done and does not play. `today` (ISO
 * 8601) replaces the device's clock.
 *
 * @example
 * const recording = record(store);
 * const tapeText: string = recording.text();
 */
export function record(store: FieldStore, today = localToday()): Recording {
  const { field } = store;
  const isSecret = isSecretIn(store);
  const hidden = (event: FieldEvent): FieldEvent =>
    isSecret && 'text' in event ? { ...event, text: dots(event.text) } : event;
  const raw = store.evaluation().raw;
  const events: FieldEvent[] = [];
  if (raw) events.push(hidden({ type: 'set', text: raw }));
  if (store.state().focused) events.push({ type: 'focus' });
  const stop = store.subscribe((_, event) => {
    if (event && events.length < most) events.push(hidden(event));
  });
  return {
    stop,
    text: () =>
      [
        `tape ${JSON.stringify(`Recorded in ${field.label || field.id}`)}`,
        ...(isSecret ? ['# Concealed: a dot stands for each character.'] : []),
        ...(events.length >= most ? [`# It ends here: more than ${most} events.`] : []),
        `field ${field.id}`,
        `today ${today}`,
        ...writeEvents(events),
        '',
      ].join('\n'),
  };
}
