import type { Wording } from '../wording.ts';

/** What codes say in Italian, of every field and, behind its name, of a kind. */
export const italian: Wording = {
  required: 'Si prega di compilare.',
  incomplete: 'Non è ancora completo.',
  'too-short': { by: 'min', one: 'Serve almeno {min} carattere.', other: 'Servono almeno {min} caratteri.' },
  'too-long': {
    by: 'max',
    one: 'È possibile al massimo {max} carattere.',
    other: 'Sono possibili al massimo {max} caratteri.',
  },
  'no-match': 'Non ha la forma attesa.',
  'not-allowed': 'Questo valore qui non è possibile.',
  'below-min': 'Serve almeno {min}.',
  'above-max': 'È possibile al massimo {max}.',
  'off-step': 'Si procede a passi di {step}.',
  trivial: 'È troppo facile da indovinare.',
  'bad-checksum': 'Si prega di controllare se c’è un errore di battitura.',
  differs: 'Non va d’accordo con {other-label}.',
  'check-broken': 'Non è stato possibile verificarlo.',
  unreachable: 'In questo momento non è stato possibile verificarlo. Si prega di riprovare.',
  'choice/required': 'Si prega di scegliere una possibilità.',
  'choices/required': 'Si prega di scegliere almeno una possibilità.',
  'choices/incomplete': 'Si prega di sceglierne almeno {min}.',
  'date/below-min': 'Nulla è possibile prima del {min}.',
  'date/above-max': 'Nulla è possibile dopo il {max}.',
  'date/no-such-date': 'Questa data non esiste.',
  'time/below-min': 'Nulla è possibile prima delle {min}.',
  'time/above-max': 'Nulla è possibile dopo le {max}.',
  'phone/unknown-number': 'Questo numero di telefono non esiste.',
  'phone/not-allowed': 'Qui è possibile solo: {wanted}.',
  'yes-no/required': 'Si prega di rispondere.',
};
