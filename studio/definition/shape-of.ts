import type { FieldDocument, KindName, SetDocument } from '../../engine/compile/document.ts';
import { sampleLine, sampleOf } from './sample.ts';

/** Kinds in words. */
export const kindNames: Readonly<Record<KindName, string>> = {
  pattern: 'pattern',
  text: 'text',
  number: 'number',
  currency: 'money',
  percent: 'percent',
  date: 'date',
  time: 'time',
  duration: 'duration',
  phone: 'telephone',
  pin: 'PIN',
  'one-time-code': 'one-time code',
};

/** What a field looks like, in one line: the pattern, or its kind with a sample. */
export function shapeOf(field: FieldDocument, set: Pick<SetDocument, 'locale' | 'classes'>): string {
  if (field.kind === 'pattern') return field.entry.pattern;
  return `${kindNames[field.kind]} · ${sampleLine(sampleOf(field, set))}`;
}
