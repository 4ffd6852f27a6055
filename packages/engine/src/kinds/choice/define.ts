import { filled, type Options } from '../../options/option.ts';
import type { Definition } from '../contract/definition.ts';
import type { ChoicePlan } from './run.ts';

const options = {
  options: {
    is: 'picks',
    label: 'Choices',
    about: 'What can be chosen: a value for the program, words for people.',
    at: ['options'],
    needed: true,
    least: 2,
  },
  draw: {
    is: 'choice',
    label: 'Drawn as',
    at: ['draw'],
    drawn: true,
    choices: [
      ['list', 'a list to open'],
      ['radio', 'buttons under each other'],
      ['segments', 'buttons side by side'],
    ],
    usual: 'list',
  },
} as const satisfies Options;

export const choice: Definition<typeof options, ChoicePlan> = {
  name: 'choice',
  options,
  plan: (entry) => ({ kind: 'choice', ...filled(options, entry) }),
  pointless: ['length', 'checksum', 'not-trivial', 'matches'],
  isAlwaysWhole: true,
};
