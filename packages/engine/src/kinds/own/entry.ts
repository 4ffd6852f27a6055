import { own as defineOwn } from './define.ts';
import { own as run } from './run.ts';
import { drawing as draw } from './sample.ts';

/** Kind `own`, whole. */
export const own = { run, define: defineOwn, draw, ships: 'own', shipsBy: 'ownBy' };
