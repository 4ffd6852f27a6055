import type { Languages } from '../../rules/wording.ts';

/** Days and times come before and after each other; they are not less or more. */
export const wording: Languages = {
  en: {
    'below-min': 'Nothing before {min} is possible.',
    'above-max': 'Nothing after {max} is possible.',
    'no-such-date': 'There is no such date.',
  },
  de: {
    'below-min': 'Frühestens {min} ist möglich.',
    'above-max': 'Spätestens {max} ist möglich.',
    'no-such-date': 'Dieses Datum gibt es nicht.',
  },
};
