import type { SpecimenRenderer } from '../contract/specimen-renderer.ts';
import { customInParts, heldInParts, partPieces, placesOfParts } from '../editing/part-pieces.ts';
import type { PartsBody } from '../editing/parts.ts';
import type { DateTimePlan } from './plan.ts';

export const drawing: SpecimenRenderer<DateTimePlan, PartsBody> = {
  sample: (field) => {
    const fixed = { part: 'separator', caption: '·' };
    const { pieces, rested } = partPieces(field, { text: '2027-02-14T16:30', fixed, partOf: (name) => name });
    return [...pieces, { id: 'resting', part: 'resting', text: rested, caption: 'on blur', isAside: true }];
  },
  isUsers: customInParts,
  places: placesOfParts,
  held: heldInParts,
};
