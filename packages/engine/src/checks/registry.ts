import { unknownCheck } from '../faults/usage.ts';
import { checksum } from './checksum/define.ts';
import { compare } from './compare/define.ts';
import { complete } from './complete/define.ts';
import type { CheckBase, CheckDefinition, CheckTable } from './contract.ts';
import { custom } from './custom/define.ts';
import { among } from './in/define.ts';
import { length } from './length/define.ts';
import { matches } from './matches/define.ts';
import { notAmong } from './not-in/define.ts';
import { notTrivial } from './not-trivial/define.ts';
import { range } from './range/define.ts';
import { remote } from './remote/define.ts';
import { required } from './required/define.ts';

/**
 * All checks, by type, in the order of the reference. A new one is a folder and a line here, in `compile.ts`,
 * `words.ts` and `runs.ts`.
 */
const definitions = {
  required,
  complete,
  length,
  matches,
  in: among,
  'not-in': notAmong,
  checksum,
  range,
  'not-trivial': notTrivial,
  compare,
  custom,
  remote,
};

/** What defines the checks of this package, by type. */
export type Definitions = typeof definitions;

/** The type of a check. */
export type CheckType = keyof Definitions;

/** Every check of this package, by its type. */
export const checkTypes = Object.keys(definitions) as readonly CheckType[];

/** The types of all checks there are; `more` are checks that do not come with this package. */
export const typesOfChecks = (more: CheckTable): readonly string[] => [
  ...checkTypes,
  ...Object.keys(more).filter((type) => !Object.hasOwn(definitions, type)),
];

/**
 * What defines checks of a type; `more` are checks that do not come with this package. Throws `RangeError`
 * for a type that is in neither.
 */
export function definitionOf(type: string, more: CheckTable = {}): CheckDefinition<CheckBase> {
  const found = Object.hasOwn(definitions, type)
    ? definitions[type as CheckType]
    : Object.hasOwn(more, type)
      ? more[type]?.define
      : undefined;
  if (!found) throw unknownCheck(type);
  // Each definition receives only checks of its own type, by whose name it was found.
  return found as unknown as CheckDefinition<CheckBase>;
}
