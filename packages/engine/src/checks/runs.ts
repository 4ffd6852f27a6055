import type { Checks } from '../rules/checks.ts';
import { clearRejected } from '../rules/clear-rejected.ts';
import { remoteCheck } from '../rules/remote-check.ts';
import { checksum } from './checksum/run.ts';
import { compare } from './compare/run.ts';
import { custom } from './custom/run.ts';
import { among } from './in/run.ts';
import { length } from './length/run.ts';
import { matches } from './matches/run.ts';
import { notAmong } from './not-in/run.ts';
import { notTrivial } from './not-trivial/run.ts';
import type { CheckType } from './registry.ts';
import { remote } from './remote/run.ts';

export { customBy } from '../rules/custom.ts';
export { schemes } from './checksum/schemes.ts';
/** The run-time code of all checks. A hand-off imports only the checks that its rules use. */
export {
  among,
  checksum,
  clearRejected,
  compare,
  custom,
  length,
  matches,
  notAmong,
  notTrivial,
  remote,
  remoteCheck,
};

/**
 * All checks, with what asks servers and what removes refused values.
 *
 * @example
 * const field = hydrateAny(compiled, { pattern: kinds.pattern.run }, checks);
 */
export const checks = {
  length,
  matches,
  in: among,
  'not-in': notAmong,
  checksum,
  'not-trivial': notTrivial,
  compare,
  remote,
  custom,
  remoteCheck,
  clearRejected,
} satisfies Required<
  Pick<Checks, Exclude<CheckType, 'required' | 'complete' | 'range'> | 'remoteCheck' | 'clearRejected'>
>;
