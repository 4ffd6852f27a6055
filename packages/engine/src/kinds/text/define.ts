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
} as const satisfies Options;

export const text: Definition<typeof options, TextPlan> = {
  name: 'text',
  options,
  plan: (entry) => ({ kind: 'text', max: 0, ...filled(options, entry) }),
  isAlwaysWhole: true,
};
