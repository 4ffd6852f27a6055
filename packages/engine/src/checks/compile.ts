import type { Definition } from '../kinds/contract/definition.ts';
import type { Check } from '../rules/rule.ts';
import { compare } from './compare/compile.ts';
import type { Compile } from './compiling.ts';
import { custom } from './custom/compile.ts';
import { matches } from './matches/compile.ts';
import { range } from './range/compile.ts';
import type { CheckDocument, CheckType } from './registry.ts';
import { remote } from './remote/compile.ts';

const asItIs = <C>(check: C): C => check;

/** How each check is compiled. Apart from the registry: whoever shows a field carries this, and nothing that reads or describes one. */
const compilers: { readonly [T in CheckType]: Compile<T> } = {
  required: asItIs,
  complete: asItIs,
  length: asItIs,
  matches,
  in: asItIs,
  'not-in': asItIs,
  checksum: asItIs,
  range,
  'not-trivial': asItIs,
  compare,
  custom,
  remote,
};

/** A check ready to run. Throws `RangeError` on an expression that the reader would have refused. */
export const compileCheck = (check: CheckDocument, kind: Definition): Check =>
  // Each is asked about checks of its own type alone, by whose name it was found.
  (compilers[check.type] as (check: CheckDocument, kind: Definition) => Check)(check, kind);
