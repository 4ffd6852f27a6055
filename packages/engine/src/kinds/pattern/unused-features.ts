import { graphemes } from '../../values/graphemes.ts';
import { type Fields, type Has, unusedAmong } from '../contract/unused-among.ts';
import { taken } from '../editing/takes.ts';
import type * as features from './features.ts';
import { written } from './layout.ts';
import type { PatternPlan } from './plan.ts';

/**
 * Up to this many cells, a key costs one or two microseconds without the lookup tables, and a page is a
 * kilobyte smaller.
 */
const few = 32;

/** What a plan uses, by the name of the feature. */
const has: Record<keyof typeof features, Has<PatternPlan>[string]> = {
  hasFixed: ({ positions }) => positions === 'fixed',
  hasStretches: ({ stretches }) => stretches.length > 0,
  hasWords: ({ parts }) => parts.some(({ takes }) => takes === 'words'),
  hasNumbers: ({ parts }) => parts.some(({ takes }) => takes === 'number'),
  hasVarying: ({ parts }) => parts.some(({ min, size }) => min < size),
  hasAhead: ({ literals }) => literals === 'ahead',
  hasGhost: ({ ghost }) => ghost,
  hasText: ({ raw }, rules) =>
    raw !== 'content' || rules.some(({ check }) => check.type === 'checksum' && check.over !== undefined),
  hasMany: ({ cells }) => cells.length > few,
  hasAlternatives: ({ alternatives }) => alternatives !== undefined,
  hasDoubt: ({ parts, positions, stretches, raw, before }) =>
    positions === 'fixed' ||
    stretches.length > 0 ||
    raw !== 'content' ||
    parts.some(({ takes, min, size }) => takes !== 'set' || min < size) ||
    before.some((fixed) =>
      graphemes(written(fixed)).some((c) => parts.some((part) => taken(part, c) !== undefined)),
    ),
};

/** The features that none of these fields uses; a hand-off with only these fields leaves their code out. */
export const unusedFeatures = (fields: Fields): readonly string[] =>
  unusedAmong(has)(
    fields.flatMap((field) => {
      // Fields of this kind have its plan.
      const { alternatives = [] } = field.plan as unknown as PatternPlan;
      return [field, ...alternatives.map((plan) => ({ ...field, plan }))];
    }),
  );
