import type { FieldEvent } from '../field/field-state.ts';

/**
 * An event of a field as a line of a tape.
 *
 * @example
 * writeEvent({ type: 'paste', text: '12' }); // 'paste "12"'
 */
export function writeEvent(event: FieldEvent): string {
  switch (event.type) {
    case 'key':
      return `type ${JSON.stringify(event.text)}`;
    case 'insert':
    case 'paste':
    case 'autofill':
    case 'set':
      return `${event.type} ${JSON.stringify(event.text)}`;
    case 'select':
      return event.start === event.end ? `caret ${event.start}` : `select ${event.start} ${event.end}`;
    default:
      return event.type;
  }
}

/** Events that only a page or a server causes: a tape has no verb for them. */
const wordless: ReadonlySet<FieldEvent['type']> = new Set([
  'ask',
  'ask-again',
  'answer',
  'invalidate',
  'refuse',
]);

/**
 * Events in their order as the lines of a tape. Consecutive keys become one `type`. Of consecutive caret
 * moves only the last is written, and the first: it ends the run that one undo takes back.
 *
 * @example
 * writeEvents([{ type: 'focus' }, ...keysOf('12')]); // ['focus', 'type "12"']
 */
export function writeEvents(events: readonly FieldEvent[]): readonly string[] {
  const lines: string[] = [];
  let typed = '';
  /** Number of consecutive lines of moves: at most two are written. */
  let moves = 0;
  const flush = (): void => {
    if (typed) lines.push(writeEvent({ type: 'key', text: typed }));
    typed = '';
  };
  for (const event of events) {
    if (wordless.has(event.type)) continue;
    if (event.type === 'key') {
      typed += event.text;
      moves = 0;
      continue;
    }
    flush();
    const line = writeEvent(event);
    if (event.type !== 'select') moves = 0;
    else if (moves > 0 && line === lines.at(-1)) continue;
    else if (moves === 2) lines.pop();
    else moves++;
    lines.push(line);
  }
  flush();
  return lines;
}
