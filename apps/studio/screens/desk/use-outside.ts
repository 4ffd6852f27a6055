'use client';

import { askByFetch, driveAsks, type FieldStore } from '@arbeit/dom';
import type { FieldDocument } from '@arbeit/engine/document';
import { useEffect } from 'react';
import { useOwnOutcomes } from '../../field/custom-code/use-custom-code.ts';

/** Runs what rules of a field on its desk need from outside: server checks as in a form, and custom code. */
export function useOutside(store: FieldStore, definition: FieldDocument): void {
  const asks = (definition.rules ?? []).some(({ check }) => check.type === 'remote');
  useEffect(() => (asks ? driveAsks(store, askByFetch()) : undefined), [store, asks]);
  useOwnOutcomes(store);
}
