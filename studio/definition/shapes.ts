import type { FieldDocument, KindName, SetDocument } from '../../engine/compile/document.ts';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { sampleLine, sampleOf } from './sample.ts';

/** A field from nothing: one that already works, so that there is something to click. */
export const fromNothing: FieldDocument = {
  id: 'field',
  kind: 'pattern',
  label: 'New field',
  entry: { pattern: '<4 digit>' },
};

const typical = [
  'mobile', 'deposit', 'discount', 'party', 'arrival', 'expected', 'walk-in', 'key-box', 'change-code', 'remarks', 'member', 'warden', 'ledger',
]; // biome-ignore format: a list

/** Fields to start from: the shapes of the demo, one of each kind and a few patterns. */
export const typicalShapes = (demo.fields as unknown as readonly FieldDocument[]).filter((field) =>
  typical.includes(field.id),
);

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
