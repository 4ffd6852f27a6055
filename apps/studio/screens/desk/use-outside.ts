'use client';

import { askByFetch, driveAsks, type FieldStore } from '@arbeit/dom';
import type { FieldDocument } from '@arbeit/engine/document';
import { useEffect } from 'react';
import { useOwnOutcomes } from '../../field/custom-code/use-custom-code.ts';

/**
 * What rules of a field on its desk ask outside of it: servers are asked as a form would ask them, and own
 * code is heard when it answers.
 */
export function useOutside(store: FieldStore, definition: FieldDocument): void {
  const asks = (definition.rules ?? []).some(({ check }) => check.type === 'remote');
  useEffect(() => (asks ? driveAsks(store, askByFetch()) : undefined), [store, asks]);
  useOwnOutcomes(store);
}
