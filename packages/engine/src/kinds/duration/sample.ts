import type { Drawing } from '../contract/drawing.ts';
import { heldInParts, ownInParts, partPieces, placesOfParts } from '../editing/part-pieces.ts';
import type { PartsBody } from '../editing/parts.ts';
import type { DurationPlan } from './run.ts';

export const drawing: Drawing<DurationPlan, PartsBody> = {
  sample: (field) =>
    partPieces(field, { text: '90', fixed: { part: 'units', caption: 'unit' }, partOf: () => 'units' })
      .pieces,
  own: ownInParts,
  places: placesOfParts,
  held: heldInParts,
  other: ({ parts }) =>
    parts.length === 1
      ? { entry: { units: ['h', 'min'] }, label: 'in hours and minutes' }
      : { entry: { units: ['min'] }, label: 'in minutes' },
};
