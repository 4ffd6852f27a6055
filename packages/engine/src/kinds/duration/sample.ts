import type { SpecimenRenderer } from '../contract/specimen-renderer.ts';
import { customInParts, heldInParts, partPieces, placesOfParts } from '../editing/part-pieces.ts';
import type { PartsBody } from '../editing/parts.ts';
import type { DurationPlan } from './plan.ts';

export const drawing: SpecimenRenderer<DurationPlan, PartsBody> = {
  sample: (field) =>
    partPieces(field, { text: '90', fixed: { part: 'units', caption: 'unit' }, partOf: () => 'units' })
      .pieces,
  isUsers: customInParts,
  places: placesOfParts,
  held: heldInParts,
  other: ({ parts }) =>
    parts.length === 1
      ? { entry: { units: ['h', 'min'] }, label: 'in hours and minutes' }
      : { entry: { units: ['min'] }, label: 'in minutes' },
};
