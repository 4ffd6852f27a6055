import type { SpecimenRenderer } from '../contract/specimen-renderer.ts';
import { customInParts, heldInParts, partPieces, placesOfParts } from '../editing/part-pieces.ts';
import type { PartsBody } from '../editing/parts.ts';
import type { DatePlan } from './run.ts';

export const drawing: SpecimenRenderer<DatePlan, PartsBody> = {
  sample: (field) => {
    const fixed = { part: 'separator', caption: '·' };
    const isMonth = field.plan.day < 0;
    const text = isMonth ? '2027-02' : '2027-02-14';
    const { pieces, rested } = partPieces(field, { text, fixed, partOf: (name) => name });
    const off = { id: 'day', part: 'day', text: '14', caption: 'day', isAside: true, isOff: true };
    return [
      ...pieces,
      ...(isMonth ? [off] : []),
      { id: 'resting', part: 'resting', text: rested, caption: 'on blur', isAside: true },
    ];
  },
  isUsers: customInParts,
  places: placesOfParts,
  held: heldInParts,
  other: ({ year, day }) => {
    const parts = day < 0 ? { parts: 'month' } : {};
    return year === 0
      ? { entry: { ...parts, order: 'locale', resting: 'same' }, label: 'in the locale’s order' }
      : { entry: { ...parts, order: 'ymd', resting: 'same' }, label: 'year first' };
  },
};
