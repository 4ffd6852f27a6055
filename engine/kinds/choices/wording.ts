import type { Languages } from '../../rules/wording.ts';

export const wording: Languages = {
  en: {
    required: 'Please choose at least one.',
    incomplete: 'Please choose at least {min}.',
  },
  de: {
    required: 'Bitte mindestens eine Möglichkeit wählen.',
    incomplete: 'Bitte mindestens {min} wählen.',
  },
};
