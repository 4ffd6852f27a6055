import type { FieldEvent } from '../field/moment.ts';

/** What happened to a field, as a line of a tape. */
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

/** What only a page or a server brings about, and no hand: a tape has no word for it. */
const wordless: ReadonlySet<FieldEvent['type']> = new Set(['ask', 'ask-again', 'answer', 'look', 'refuse']);

/** Events in their order as the lines of a tape: keys in a row are one `type`, of caret moves in a row the last counts. */
export function writeEvents(events: readonly FieldEvent[]): readonly string[] {
  const lines: string[] = [];
  let typed = '';
  let before: FieldEvent['type'] | undefined;
  const flush = (): void => {
    if (typed) lines.push(writeEvent({ type: 'key', text: typed }));
    typed = '';
  };
  for (const event of events) {
    if (wordless.has(event.type)) continue;
    if (event.type === 'key') typed += event.text;
    else {
      flush();
      if (event.type === 'select' && before === 'select') lines.pop();
      lines.push(writeEvent(event));
    }
    before = event.type;
  }
  flush();
  return lines;
}
