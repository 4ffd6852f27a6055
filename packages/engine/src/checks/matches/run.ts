import { match } from '../../rules/automaton.ts';
import type { Validator } from '../../rules/checks.ts';
import { finding, rawOf } from '../findings.ts';

/**
 * Whether an expression (ECMAScript syntax) matches the whole raw value, in time linear in the text: code
 * `no-match`.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, { matches });
 */
export const matches: Validator<'matches'> = (field, body, { automaton }) =>
  finding(match(automaton, rawOf(field, body)), 'no-match');
