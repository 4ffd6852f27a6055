import type { Wording } from '../../rules/messages.ts';

/** Days and times come before and after each other; they are not less or more. */
export const wording: Wording = {
  'below-min': 'Nothing before {min} is possible.',
  'above-max': 'Nothing after {max} is possible.',
};
