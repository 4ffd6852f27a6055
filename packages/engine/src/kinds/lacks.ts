import { namesLacking } from '../field/lacks.ts';
import type { Fields } from './contract/lacking.ts';
import { lacks as date } from './date/lacks.ts';
import type * as features from './editing/features.ts';
import type { PartsPlan } from './editing/parts.ts';
import { lacks as number } from './number/lacks.ts';
import { lacks as pattern } from './pattern/lacks.ts';

/** What of the `features.ts` of this folder none of some fields has. */
function shared(fields: Fields): readonly string[] {
  const hasWords = fields.some(({ plan }) => (plan as Partial<PartsPlan>).parts?.some(({ words }) => words));
  const has: Readonly<Record<keyof typeof features, boolean>> = { hasPartWords: hasWords };
  return namesLacking(has);
}

/** Of the kinds with a `features.ts`, by what each ships. */
const own: Readonly<Record<string, (fields: Fields) => readonly string[]>> = { date, number, pattern };

/**
 * What of the `features.ts` of a folder none of some fields has: of what kinds share, or of the kind that ships `of`. The fields are its own.
 */
export const lacks = (fields: Fields, of?: string): readonly string[] =>
  of === undefined ? shared(fields) : (own[of]?.(fields) ?? []);
