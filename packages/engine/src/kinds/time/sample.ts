import type { SpecimenRenderer } from '../contract/specimen-renderer.ts';
import { customInParts, heldInParts, partPieces, placesOfParts } from '../editing/part-pieces.ts';
import type { PartsBody } from '../editing/parts.ts';
import type { TimePlan } from './run.ts';

export const drawing: SpecimenRenderer<TimePlan, PartsBody> = {
  sample: (field) => {
    const fixed = { part: 'separator', caption: '·' };
    const { pieces } = partPieces(field, { text: '14:30:45', fixed, partOf: (name) => name });
    if (field.plan.second >= 0) return pieces;
    return [...pieces, { id: 'second', part: 'second', text: ':45', caption: 'seconds', isOff: true }];
  },
  isUsers: customInParts,
  places: placesOfParts,
  held: heldInParts,
};
