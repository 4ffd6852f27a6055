import { graphemes } from '../../values/graphemes.ts';
import { type Has, unusedAmong } from '../contract/unused-among.ts';
import { taken } from '../editing/takes.ts';
import type * as features from './features.ts';
import { written } from './layout.ts';
import type { PatternPlan } from './plan.ts';

/**
 * Up to so many cells a key costs one or two millionths of a second without the tables that save that, and a
 * page a kilobyte less.
 */
const few = 32;

/** What a plan has, by the name under which the code asks for it. */
const has: Record<keyof typeof features, Has<PatternPlan>[string]> = {
  hasFixed: ({ positions }) => positions === 'fixed',
  hasStretches: ({ stretches }) => stretches.length > 0,
  hasWords: ({ parts }) => parts.some(({ takes }) => takes === 'words'),
  hasNumbers: ({ parts }) => parts.some(({ takes }) => takes === 'number'),
  hasVarying: ({ parts }) => parts.some(({ min, size }) => min < size),
  hasAhead: ({ literals }) => literals === 'ahead',
  hasGhost: ({ ghost }) => ghost,
  hasText: ({ raw }) => raw === 'text',
  hasMany: ({ cells }) => cells.length > few,
  hasDoubt: ({ parts, positions, stretches, raw, before }) =>
    positions === 'fixed' ||
    stretches.length > 0 ||
    raw === 'text' ||
    parts.some(({ takes, min, size }) => takes !== 'set' || min < size) ||
    before.some((fixed) =>
      graphemes(written(fixed)).some((c) => parts.some((part) => taken(part, c) !== undefined)),
    ),
};

/**
 * The features that none of these fields has: code for them is left out of what is handed off with just
 * these.
 */
export const unusedFeatures = unusedAmong(has);
