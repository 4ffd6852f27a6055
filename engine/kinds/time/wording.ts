import type { Languages } from '../../rules/wording.ts';

/** Times come before and after each other; they are not less or more. */
export const wording: Languages = {
  en: {
    'below-min': 'Nothing before {min} is possible.',
    'above-max': 'Nothing after {max} is possible.',
  },
  de: {
    'below-min': 'Frühestens {min} ist möglich.',
    'above-max': 'Spätestens {max} ist möglich.',
  },
};
