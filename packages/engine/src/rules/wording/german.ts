import type { Wording } from '../wording.ts';

/** Default messages in German, by code. A key `kind/code` applies to that kind only. */
export const german: Wording = {
  required: 'Bitte ausfüllen.',
  incomplete: 'Das ist noch nicht vollständig.',
  'too-short': {
    by: 'min',
    one: 'Mindestens {min} Zeichen wird gebraucht.',
    other: 'Mindestens {min} Zeichen werden gebraucht.',
  },
  'too-long': {
    by: 'max',
    one: 'Höchstens {max} Zeichen ist möglich.',
    other: 'Höchstens {max} Zeichen sind möglich.',
  },
  'no-match': 'Das hat nicht die erwartete Form.',
  'not-allowed': 'Dieser Wert ist hier nicht möglich.',
  'below-min': 'Mindestens {min} wird gebraucht.',
  'above-max': 'Höchstens {max} ist möglich.',
  'off-step': 'Möglich sind Schritte von {step}.',
  trivial: 'Das ist zu leicht zu erraten.',
  'bad-checksum': 'Bitte auf Tippfehler prüfen.',
  differs: 'Das passt nicht zu {other-label}.',
  'check-broken': 'Das konnte nicht geprüft werden.',
  'custom/shape-broken': 'Das konnte nicht geprüft werden.',
  unreachable: 'Das konnten wir gerade nicht prüfen. Bitte versuchen Sie es noch einmal.',
  'choice/required': 'Bitte eine Möglichkeit wählen.',
  'choices/required': 'Bitte mindestens eine Möglichkeit wählen.',
  'choices/incomplete': 'Bitte mindestens {min} wählen.',
  'date/below-min': 'Frühestens {min} ist möglich.',
  'date/above-max': 'Spätestens {max} ist möglich.',
  'date/no-such-date': 'Dieses Datum gibt es nicht.',
  'time/below-min': 'Frühestens {min} ist möglich.',
  'time/above-max': 'Spätestens {max} ist möglich.',
  'phone/unknown-number': 'Diese Telefonnummer gibt es nicht.',
  'phone/not-allowed': 'Hier geht nur {wanted}.',
  'yes-no/required': 'Bitte beantworten.',
};
