import type { Wording } from '../wording.ts';

/** What every field's codes say in English. */
export const english: Wording = {
  required: 'Please fill this in.',
  incomplete: 'This is not complete yet.',
  'too-short': 'At least {min} characters are needed.',
  'too-long': 'At most {max} characters are possible.',
  'no-match': 'This does not have the expected form.',
  'not-allowed': 'This value cannot be used here.',
  'below-min': 'At least {min} is needed.',
  'above-max': 'At most {max} is possible.',
  'off-step': 'This goes up in steps of {step}.',
  trivial: 'This is too easy to guess.',
  'bad-checksum': 'Please check for a typing mistake.',
  differs: 'This does not go with {other-label}.',
  'check-broken': 'This could not be checked.',
  unreachable: 'We could not check this just now. Please try again.',
};
