import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import * as words from '../words/model/shape-of.ts';
import { hasNotation, patternsOf } from './notation.ts';
import { sampleLine, sampleOf } from './sample.ts';

/** A field in one line: its pattern, or a sample as displayed after blur. */
export function shapeOf(
  field: FieldDocument,
  set: Pick<SetDocument, 'locale' | 'classes'>,
  kinds: KindTable,
): string {
  if (hasNotation(field)) {
    const [first = '', ...more] = patternsOf(field);
    return more.length === 0 ? first : words.or(first, more.length, more[0] ?? '');
  }
  // Custom code is not run for a list of fields; the placeholder is shown instead.
  if (kindIn(kinds, field.kind).run.withFormat && field.placeholder) return field.placeholder;
  const pieces = sampleOf(field, set, kinds);
  const rested = pieces.find(({ part, isAside, isOff }) => part === 'resting' && isAside && !isOff);
  return rested?.text ?? sampleLine(pieces);
}
