import { shape, text } from '../../options/shapes.ts';
import { parseExpression } from '../../rules/expression.ts';
import { define } from '../contract.ts';

export const matches = define<{
  readonly type: 'matches';
  readonly pattern: string;
  readonly flags?: string;
}>({
  type: 'matches',
  members: { pattern: 'needed', flags: 'optional' },
  read(at) {
    const flags = at.has('flags') ? at.get('flags').string() : '';
    if (flags && !/^[isu]*$/.test(flags))
      at.get('flags').fault('The flags that count here are i, s and u.', { suggestion: 'i' });
    if (!at.has('pattern')) return;
    const source = at.get('pattern').string();
    if (source === undefined) return;
    const parsed = parseExpression(source, flags);
    if ('message' in parsed)
      at.get('pattern').fault(parsed.message, { column: parsed.column, suggestion: parsed.suggestion });
  },
  schemas: [
    shape({ type: { const: 'matches' }, pattern: text, flags: { ...text, pattern: '^[isu]*$' } }, [
      'pattern',
    ]),
  ],
  data: [],
  compile({ type, pattern, flags }) {
    const automaton = parseExpression(pattern, flags);
    if ('message' in automaton) throw new RangeError(automaton.message);
    return { type, pattern, automaton };
  },
  mutations: () => [],
});
