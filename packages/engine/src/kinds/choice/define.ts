import { filled, type Options } from '../../options/option.ts';
import type { Definition } from '../contract/definition.ts';
import type { ChoicePlan } from './run.ts';

const options = {
  options: {
    is: 'picks',
    label: 'Options',
    about: 'Available options: a value for code and a label for users.',
    at: ['options'],
    needed: true,
    least: 2,
  },
  draw: {
    is: 'choice',
    label: 'Control',
    at: ['draw'],
    drawn: true,
    choices: [
      ['list', 'drop-down list'],
      ['radio', 'radio buttons (vertical)'],
      ['segments', 'segmented control'],
    ],
    usual: 'list',
  },
} as const satisfies Options;

export const choice: Definition<typeof options, ChoicePlan> = {
  name: 'choice',
  valueIs: 'value of an option',
  options,
  plan: (entry) => ({ kind: 'choice', ...filled(options, entry) }),
  pointless: ['length', 'checksum', 'not-trivial', 'matches'],
  isAlwaysWhole: true,
};
