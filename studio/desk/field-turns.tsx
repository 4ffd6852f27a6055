'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import type { EditedSet } from '../definition/use-set.ts';

export function FieldTurns({
  set,
  definition,
}: {
  readonly set: EditedSet;
  readonly definition: FieldDocument;
}) {
  return <span hidden>{set.id + definition.id}</span>;
}
