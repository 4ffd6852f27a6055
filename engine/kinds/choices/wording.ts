import type { Wording } from '../../rules/messages.ts';

export const wording: Wording = {
  required: 'Please choose at least one.',
  incomplete: 'Please choose at least {min}.',
};
