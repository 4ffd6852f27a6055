import type { Languages } from '../../rules/wording.ts';

export const wording: Languages = {
  en: {
    required: 'Please answer this.',
  },
  de: {
    required: 'Bitte beantworten.',
  },
};
