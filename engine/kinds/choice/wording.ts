import type { Languages } from '../../rules/wording.ts';

/** Nothing is filled in here. */
export const wording: Languages = {
  en: {
    required: 'Please choose one.',
  },
  de: {
    required: 'Bitte eine Möglichkeit wählen.',
  },
};
