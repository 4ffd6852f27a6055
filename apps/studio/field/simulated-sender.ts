import type { BoxesPlan } from '@arbeit/engine/kinds/boxes';

/** The code that the simulated sender sends to a field of that length. */
export const codeFor = ({ length, accept }: Pick<BoxesPlan, 'length' | 'accept'>): string =>
  (accept === 'digit' ? '481516234208' : 'K7M2P9X4T6QD').slice(0, length);
