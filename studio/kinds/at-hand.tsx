'use client';

import type { KindTable } from '@arbeit/engine/kinds';
import { createContext, useContext } from 'react';

/** The kinds a page carries: all of them on the shelf, on a desk only the one that is defined there. */
const AtHand = createContext<KindTable>({});
export const KindsAtHand = AtHand.Provider;
export const useKinds = (): KindTable => useContext(AtHand);
