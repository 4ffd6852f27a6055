import type { FieldDocument } from '../../engine/compile/document.ts';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };

/** A field from nothing: one that already works, so that there is something to click. */
export const fromNothing: FieldDocument = {
  id: 'field',
  kind: 'pattern',
  label: 'New field',
  entry: { pattern: '<4 digit>' },
};

/** Fields to start from: the shapes of the demo. */
export const typicalShapes = (demo.fields as readonly FieldDocument[]).filter((field) =>
  ['mobile', 'member', 'arrival', 'walk-in', 'change-code', 'warden', 'ledger'].includes(field.id),
);
