import { unknownCheck } from '../faults/usage.ts';
import type { Definition } from '../kinds/contract/definition.ts';
import type { Check } from '../rules/rule.ts';
import { checksum } from './checksum/compile.ts';
import { compare } from './compare/compile.ts';
import type { Compiler } from './compiling.ts';
import { complete } from './complete/compile.ts';
import type { CheckBase, CheckCompiler, CheckTable } from './contract.ts';
import { custom } from './custom/compile.ts';
import { among } from './in/compile.ts';
import { length } from './length/compile.ts';
import { matches } from './matches/compile.ts';
import { notAmong } from './not-in/compile.ts';
import { notTrivial } from './not-trivial/compile.ts';
import { range } from './range/compile.ts';
import type { CheckType } from './registry.ts';
import { remote } from './remote/compile.ts';
import { required } from './required/compile.ts';

/**
 * How each check is compiled. Separate from the registry: a page that compiles fields carries this and
 * nothing that reads documents.
 */
const compilers: { readonly [T in CheckType]: Compiler<T> } = {
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

/** The codes that checks of this package can fail with. */
export const codesOfChecks: readonly string[] = Object.values(compilers).flatMap(({ codes }) => codes);

/**
 * How checks of a type are compiled; `more` are checks that do not come with this package. Throws
 * `RangeError` for a type that is in neither.
 */
export function compilerOf(type: string, more: CheckTable): CheckCompiler {
  const compiler = Object.hasOwn(compilers, type)
    ? compilers[type as CheckType]
    : Object.hasOwn(more, type)
      ? more[type]?.compile
      : undefined;
  if (!compiler) throw unknownCheck(type);
  // Each compiler receives only checks of its own type, by whose name it was found.
  return compiler as CheckCompiler;
}

/**
 * A check ready to run in a field of that kind. Throws `RangeError` on what the reader would have refused.
 */
export const compileCheck = (check: CheckBase, kind: Definition, more: CheckTable): Check =>
  // The result has the type of the check.
  (compilerOf(check.type, more).compile?.(check, kind) ?? check) as Check;
