import type { FieldDocument } from '@arbeit/engine/document';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };

const typical = [
  'mobile', 'email', 'deposit', 'discount', 'party', 'arrival', 'expected', 'walk-in', 'key-box', 'change-code', 'remarks', 'hut', 'meals', 'extras', 'dog', 'member', 'warden', 'ledger', 'map-square',
]; // biome-ignore format: a list

/** Fields to start from: one of each kind of the demo, and a few patterns. */
export const typicalShapes = (demo.fields as unknown as readonly FieldDocument[]).filter((field) =>
  typical.includes(field.id),
);
