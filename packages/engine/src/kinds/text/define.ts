import type { Cursor } from '../../faults/cursor.ts';
import { say, type Texts } from '../../faults/say.ts';
import { filled, type Options, yesNo } from '../../options/option.ts';
import { revealWords } from '../../rules/drawn-words.ts';
import type { Definition } from '../contract/definition.ts';
import type { TextPlan } from './run.ts';

const options = {
  trim: yesNo('yes', 'no', { label: 'Trim spaces', at: ['blanks'], usual: true }),
  collapse: yesNo('yes', 'no', { label: 'Collapse repeated spaces', at: ['blanks'], usual: false }),
  case: {
    is: 'choice',
    label: 'Letter case',
    at: ['text'],
    choices: [
      ['as-typed', 'as typed'],
      ['upper', 'upper case'],
      ['lower', 'lower case'],
    ],
    usual: 'as-typed',
  },
  lines: {
    is: 'whole',
    label: 'Lines',
    about: 'Number of visible lines. With 2 or more, Enter starts a new line.',
    at: ['lines'],
    drawn: true,
    min: 1,
    max: 30,
    usual: 1,
  },
  max: {
    is: 'whole',
    label: 'Maximum length',
    about: 'Maximum length in characters (grapheme clusters).',
    at: ['max'],
    min: 1,
    max: 10_000,
    otherwise: 'any number',
  },
  conceal: yesNo('hidden (with a reveal button)', 'visible', {
    label: 'Masking',
    at: ['conceal'],
    drawn: true,
    usual: false,
  }),
} as const satisfies Options;

const faults = {
  'conceal-lines': 'Only a single-line text can be hidden.',
} as const satisfies Texts;

/** Reports a concealed text of several lines: browsers conceal one line only. */
function check(at: Cursor): void {
  const { conceal, lines } = at.value as { conceal?: unknown; lines?: unknown };
  if (conceal === true && typeof lines === 'number' && lines > 1)
    at.get('conceal').fault(say(faults, 'conceal-lines'), { suggestion: 'false' });
}

export const text: Definition<typeof options, TextPlan> = {
  name: 'text',
  options,
  faults,
  check,
  draws: ({ conceal, max }) => [...(conceal ? revealWords : []), ...(max ? ['left'] : [])],
  plan: (entry) => ({ kind: 'text', max: 0, ...filled(options, entry) }),
  isAlwaysWhole: true,
};
