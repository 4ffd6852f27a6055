import { most } from '../faults/limits.ts';
import type { Spot } from '../faults/spot.ts';
import { listOf, text } from '../options/shapes.ts';

/** The other fields that go along with a question. */
export function readWith(at: Spot): void {
  if (at.has('with')) for (const name of at.get('with').items(most.with)) name.string();
}

export const schemaOfWith = listOf(text, { maxItems: most.with });
