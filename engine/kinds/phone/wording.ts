import type { Languages } from '../../rules/wording.ts';

export const wording: Languages = {
  en: {
    'unknown-number': 'There is no such telephone number.',
    'not-allowed': 'Only {wanted} can be used here.',
  },
  de: {
    'unknown-number': 'Diese Telefonnummer gibt es nicht.',
    'not-allowed': 'Hier geht nur {wanted}.',
  },
};
