import type { Wording } from '../wording.ts';

/** Default messages in English, by code. A key `kind/code` applies to that kind only. */
export const english: Wording = {
  required: 'Please fill this in.',
  incomplete: 'This is not complete yet.',
  'too-short': {
    by: 'min',
    one: 'At least {min} character is needed.',
    other: 'At least {min} characters are needed.',
  },
  'too-long': {
    by: 'max',
    one: 'At most {max} character is possible.',
    other: 'At most {max} characters are possible.',
  },
  'no-match': 'This does not have the expected form.',
  'not-allowed': 'This value cannot be used here.',
  'below-min': 'At least {min} is needed.',
  'above-max': 'At most {max} is possible.',
  'off-step': 'This goes up in steps of {step}.',
  trivial: 'This is too easy to guess.',
  'bad-checksum': 'Please check for a typing mistake.',
  differs: 'This does not go with {other-label}.',
  'check-broken': 'This could not be checked.',
  'custom/shape-broken': 'This could not be checked.',
  unreachable: 'We could not check this just now. Please try again.',
  'choice/required': 'Please choose one.',
  'choices/required': 'Please choose at least one.',
  'choices/incomplete': 'Please choose at least {min}.',
  'date/below-min': 'Nothing before {min} is possible.',
  'date/above-max': 'Nothing after {max} is possible.',
  'date/no-such-date': 'There is no such date.',
  'time/below-min': 'Nothing before {min} is possible.',
  'time/above-max': 'Nothing after {max} is possible.',
  'phone/unknown-number': 'There is no such telephone number.',
  'phone/not-allowed': 'Only {wanted} can be used here.',
  'yes-no/required': 'Please answer this.',
};
