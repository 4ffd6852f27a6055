import type { Wording } from '../wording.ts';

/** What every field's codes say in German. */
export const german: Wording = {
  required: 'Bitte ausfüllen.',
  incomplete: 'Das ist noch nicht vollständig.',
  'too-short': 'Mindestens {min} Zeichen werden gebraucht.',
  'too-long': 'Höchstens {max} Zeichen sind möglich.',
  'no-match': 'Das hat nicht die erwartete Form.',
  'not-allowed': 'Dieser Wert ist hier nicht möglich.',
  'below-min': 'Mindestens {min} wird gebraucht.',
  'above-max': 'Höchstens {max} ist möglich.',
  'off-step': 'Möglich sind Schritte von {step}.',
  trivial: 'Das ist zu leicht zu erraten.',
  'bad-checksum': 'Bitte auf Tippfehler prüfen.',
  differs: 'Das passt nicht zu {other-label}.',
  'check-broken': 'Das konnte nicht geprüft werden.',
  unreachable: 'Das konnten wir gerade nicht prüfen. Bitte versuchen Sie es noch einmal.',
};
