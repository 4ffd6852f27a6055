import { say, type Texts } from '../../faults/say.ts';
import type { TextFault } from '../../options/option.ts';
import { define } from '../contract.ts';
import { withOption } from '../with-others.ts';

const faults = {
  'no-default-export': 'The code must start a line with "export default" followed by one function.',
} as const satisfies Texts;

/** The code must parse; other errors appear when it runs. */
function checkCode(code: string): readonly TextFault[] {
  const exported = code.match(/^[^\S\n\r\u2028\u2029]*export\s+default\s/gm)?.length ?? 0;
  if (exported === 1) return [];
  return [
    {
      ...say(faults, 'no-default-export'),
      suggestion: 'export default ({ value }) => {}',
    },
  ];
}

export const custom = define({
  type: 'custom',
  options: {
    code: {
      is: 'text',
      label: 'Code',
      at: [],
      isCode: true,
      form: '\\S',
      expected: 'Expected a non-empty string.',
      check: checkCode,
      needed: true,
    },
    with: withOption,
  },
  faults,
  data: 'own',
  mutations: () => [],
});
