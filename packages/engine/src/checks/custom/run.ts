import type { Validator } from '../../rules/checks.ts';
import { unrun } from '../../rules/finding.ts';

/**
 * The check `custom` where nothing runs its code: it is open and holds nothing back. `customBy` makes one
 * that runs it.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, { custom: customBy(runCheck) });
 */
export const custom: Validator<'custom'> = () => unrun;
