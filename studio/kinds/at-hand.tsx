'use client';

import { createContext, useContext } from 'react';
import type { KindTable } from '../../engine/kinds/definition.ts';

/** The kinds a page carries: all of them on the shelf, on a desk only the one that is defined there. */
const AtHand = createContext<KindTable>({});
export const KindsAtHand = AtHand.Provider;
export const useKinds = (): KindTable => useContext(AtHand);
