import { parseExpression } from '../../rules/expression.ts';
import type { Compiler } from '../compiling.ts';

export const matches: Compiler<'matches'> = {
  codes: ['no-match'],
  compile({ type, pattern, flags }) {
    const automaton = parseExpression(pattern, flags);
    if ('message' in automaton) throw new RangeError(automaton.message);
    return { type, pattern, automaton };
  },
};
