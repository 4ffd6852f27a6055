import type { FieldEvent } from '@arbeit/engine/field';
import { writeEvents } from '@arbeit/engine/tape';
import { localToday } from './clock.ts';
import { isConcealed } from './secret.ts';
import type { FieldStore } from './store.ts';

/**
 * A tape of what somebody does to a field on its page. It stays in the page; sending it is up to the page.
 */
export interface Recording {
  /** The tape so far. Saved as a file, it opens on the desk. */
  text(): string;
  /** Stops recording. The tape can still be read. */
  stop(): void;
}

/** Largest number of recorded events: a page may be open for days. */
const most = 5000;

/**
 * A dot in place of each character. Security relevant: recordings never contain what a concealed field holds.
 */
const dots = (text: string): string => text.replace(/./gsu, '•');

/**
 * Whether the text of a field must not be recorded: it is concealed, or the browser is told that it is a
 * secret. Security relevant.
 */
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
