import { type Has, unusedAmong } from '../contract/unused-among.ts';
import type * as features from './features.ts';
import type { NumberPlan } from './plan.ts';

const has: Record<keyof typeof features, Has<NumberPlan>[string]> = {
  hasRight: ({ fill }) => fill === 'right',
  hasNegative: ({ negative }) => negative !== 'no',
  hasSingular: ({ singular }) => singular !== undefined,
  hasPlurals: ({ plurals }) => plurals !== undefined,
  hasRange: (_, rules) => rules.some(({ check }) => check.type === 'range'),
  hasPad: ({ pad }) => pad,
  hasDigits: ({ digits }) => digits !== '',
};

export const unusedFeatures = unusedAmong(has);
