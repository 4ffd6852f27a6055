import type { Drawing } from '../contract/drawing.ts';
import { heldInParts, ownInParts, partPieces, placesOfParts } from '../editing/part-pieces.ts';
import type { PartsBody } from '../editing/parts.ts';
import type { DatePlan } from './run.ts';

export const drawing: Drawing<DatePlan, PartsBody> = {
  sample: (field) => {
    const fixed = { part: 'separator', caption: '·' };
    const { pieces, rested } = partPieces(field, { text: '2027-02-14', fixed, partOf: (name) => name });
    return [...pieces, { id: 'resting', part: 'resting', text: rested, caption: 'at rest', isAside: true }];
  },
  own: ownInParts,
  places: placesOfParts,
  held: heldInParts,
  other: ({ year }) =>
    year === 0
      ? { entry: { order: 'locale', resting: 'same' }, label: 'in the locale’s order' }
      : { entry: { order: 'ymd', resting: 'same' }, label: 'year first' },
};
