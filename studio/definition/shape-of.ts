import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import { sampleLine, sampleOf } from './sample.ts';

/** What a field looks like, in one line: the pattern, or its kind with a sample. */
export function shapeOf(
  field: FieldDocument,
  set: Pick<SetDocument, 'locale' | 'classes'>,
  kinds: KindTable,
): string {
  const own = 'pattern' in field.entry ? field.entry.pattern : undefined;
  if (own !== undefined) return own;
  return `${kindIn(kinds, field.kind).define.name} · ${sampleLine(sampleOf(field, set, kinds))}`;
}
