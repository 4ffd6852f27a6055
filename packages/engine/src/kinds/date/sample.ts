import type { SpecimenRenderer } from '../contract/specimen-renderer.ts';
import { customInParts, heldInParts, partPieces, placesOfParts } from '../editing/part-pieces.ts';
import type { PartsBody } from '../editing/parts.ts';
import type { DatePlan } from './run.ts';

export const drawing: SpecimenRenderer<DatePlan, PartsBody> = {
  sample: (field) => {
    const fixed = { part: 'separator', caption: '·' };
    const { pieces, rested } = partPieces(field, { text: '2027-02-14', fixed, partOf: (name) => name });
    return [...pieces, { id: 'resting', part: 'resting', text: rested, caption: 'at rest', isAside: true }];
  },
  isUsers: customInParts,
  places: placesOfParts,
  held: heldInParts,
  other: ({ year }) =>
    year === 0
      ? { entry: { order: 'locale', resting: 'same' }, label: 'in the locale’s order' }
      : { entry: { order: 'ymd', resting: 'same' }, label: 'year first' },
};
