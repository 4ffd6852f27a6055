import type { FieldDocument, SetDocument } from '../../engine/document/document.ts';
import { kindOf } from '../../engine/kinds/index.ts';
import { sampleLine, sampleOf } from './sample.ts';

/** What a field looks like, in one line: the pattern, or its kind with a sample. */
export function shapeOf(field: FieldDocument, set: Pick<SetDocument, 'locale' | 'classes'>): string {
  const own = 'pattern' in field.entry ? field.entry.pattern : undefined;
  if (own !== undefined) return own;
  return `${kindOf(field.kind).define.name} · ${sampleLine(sampleOf(field, set))}`;
}
