import { match } from '../../rules/automaton.ts';
import type { Validator } from '../../rules/checks.ts';
import { finding, rawOf } from '../findings.ts';

/** Whether the whole raw value is one of an expression (ECMAScript syntax), in time that grows with the text: code `no-match`. */
export const matches: Validator<'matches'> = (field, body, { automaton }) =>
  finding(match(automaton, rawOf(field, body)), 'no-match');
