import type { Check } from '../rules/rule.ts';
import { checksum } from './checksum/define.ts';
import { compare } from './compare/define.ts';
import { complete } from './complete/define.ts';
import type { CheckBase, CheckDefinition } from './contract.ts';
import { custom } from './custom/define.ts';
import { among } from './in/define.ts';
import { length } from './length/define.ts';
import { matches } from './matches/define.ts';
import { notAmong } from './not-in/define.ts';
import { notTrivial } from './not-trivial/define.ts';
import { range } from './range/define.ts';
import { remote } from './remote/define.ts';
import { required } from './required/define.ts';

/** All checks, by type, in the order of the reference. A new one is a folder and a line here. */
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
} satisfies { readonly [T in Check['type']]: { readonly type: T } };

type Definitions = typeof definitions;

/** The type of a check. */
export type CheckType = keyof Definitions;

/** What a rule checks, as a document writes it. */
export type CheckDocument = {
  [T in CheckType]: Definitions[T] extends CheckDefinition<infer C> ? C : never;
}[CheckType];

/** Every check, by its type. */
export const checkTypes = Object.keys(definitions) as readonly CheckType[];

/** What defines a check. Each is asked about checks of its own type alone. */
export const definitionOf = (type: CheckType): CheckDefinition<CheckBase> =>
  definitions[type] as unknown as CheckDefinition<CheckBase>;
