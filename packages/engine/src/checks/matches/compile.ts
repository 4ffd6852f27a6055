import { parseExpression } from '../../rules/expression.ts';
import type { Compile } from '../compiling.ts';

/** Throws `RangeError` on an expression that the reader would have refused. */
export const matches: Compile<'matches'> = ({ type, pattern, flags }) => {
  const automaton = parseExpression(pattern, flags);
  if ('message' in automaton) throw new RangeError(automaton.message);
  return { type, pattern, automaton };
};
