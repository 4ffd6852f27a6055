import type { Cursor } from '../../faults/cursor.ts';
import { filled, type Options, yesNo } from '../../options/option.ts';
import type { Definition } from '../contract/definition.ts';
import type { TextPlan } from './run.ts';

const options = {
  trim: yesNo('dropped', 'kept', { label: 'Blanks at the ends', at: ['blanks'], usual: true }),
  collapse: yesNo('one', 'kept', { label: 'Several blanks in a row', at: ['blanks'], usual: false }),
  case: {
    is: 'choice',
    label: 'Letters',
    at: ['text'],
    choices: [
      ['as-typed', 'as typed'],
      ['upper', 'capitals'],
      ['lower', 'small'],
    ],
    usual: 'as-typed',
  },
  lines: {
    is: 'whole',
    label: 'Lines',
    about: 'So many lines are shown; with more than one the return key begins a new one.',
    at: ['lines'],
    drawn: true,
    min: 1,
    max: 30,
    usual: 1,
  },
  max: {
    is: 'whole',
    label: 'Characters, at most',
    about: 'The most characters (grapheme clusters).',
    at: ['max'],
    min: 1,
    max: 10_000,
    otherwise: 'any number',
  },
  conceal: yesNo('concealed, with a control to reveal it', 'seen', {
    label: 'What is typed',
    at: ['conceal'],
    drawn: true,
    usual: false,
  }),
} as const satisfies Options;

/** Reports a concealed text of several lines: browsers conceal one line only. */
function check(at: Cursor): void {
  const { conceal, lines } = at.value as { conceal?: unknown; lines?: unknown };
  if (conceal === true && typeof lines === 'number' && lines > 1)
    at.get('conceal').fault('Only a text of one line can be concealed.', { suggestion: 'false' });
}

export const text: Definition<typeof options, TextPlan> = {
  name: 'text',
  options,
  check,
  plan: (entry) => ({ kind: 'text', max: 0, ...filled(options, entry) }),
  isAlwaysWhole: true,
};
