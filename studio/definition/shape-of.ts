import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import type { KindTable } from '@arbeit/engine/kinds';
import { sampleLine, sampleOf } from './sample.ts';

/** What a field looks like, in one line: its pattern, or a sample as it rests. */
export function shapeOf(
  field: FieldDocument,
  set: Pick<SetDocument, 'locale' | 'classes'>,
  kinds: KindTable,
): string {
  const own = 'pattern' in field.entry ? field.entry.pattern : undefined;
  if (own !== undefined) return own;
  const pieces = sampleOf(field, set, kinds);
  const rested = pieces.find(({ part, isAside, isOff }) => part === 'resting' && isAside && !isOff);
  return rested?.text ?? sampleLine(pieces);
}
