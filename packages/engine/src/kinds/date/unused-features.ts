import { type Has, unusedAmong } from '../contract/unused-among.ts';
import type * as features from './features.ts';
import type { DatePlan } from './run.ts';

const has: Record<keyof typeof features, Has<DatePlan>[string]> = {
  hasRange: (_, rules) => rules.some(({ check }) => check.type === 'range'),
  hasResting: ({ resting }) => resting.length > 0,
  hasMonths: ({ day }) => day < 0,
  hasOwnYears: ({ gregorian }) => !gregorian,
};

export const unusedFeatures = unusedAmong(has);
