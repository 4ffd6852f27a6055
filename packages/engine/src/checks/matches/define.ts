import { parseExpression } from '../../rules/expression.ts';
import { define } from '../contract.ts';

export const matches = define({
  type: 'matches',
  options: {
    pattern: {
      is: 'text',
      label: 'Regular expression (must match the whole raw value)',
      at: [],
      needed: true,
    },
    flags: {
      is: 'text',
      label: 'Flags',
      at: [],
      form: '^[isu]*$',
      expected: 'Supported flags: i, s, u.',
      suggestion: 'i',
    },
  },
  read(at) {
    const { pattern, flags = '' } = at.value as { pattern?: unknown; flags?: unknown };
    if (typeof pattern !== 'string' || typeof flags !== 'string') return;
    const parsed = parseExpression(pattern, flags);
    if ('message' in parsed)
      at.get('pattern').fault(parsed, { column: parsed.column, suggestion: parsed.suggestion });
  },
  data: [],
  mutations: () => [],
});
