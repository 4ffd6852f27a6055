import type { Wording } from '../wording.ts';

/** Default messages in Spanish, by code. A key `kind/code` applies to that kind only. */
export const spanish: Wording = {
  required: 'Por favor, rellene este campo.',
  incomplete: 'Esto aún no está completo.',
  'too-short': {
    by: 'min',
    one: 'Hace falta al menos {min} carácter.',
    other: 'Hacen falta al menos {min} caracteres.',
  },
  'too-long': {
    by: 'max',
    one: 'Como máximo es posible {max} carácter.',
    other: 'Como máximo son posibles {max} caracteres.',
  },
  'no-match': 'Esto no tiene la forma esperada.',
  'not-allowed': 'Este valor no es posible aquí.',
  'below-min': 'Hace falta al menos {min}.',
  'above-max': 'Como máximo es posible {max}.',
  'off-step': 'Va de {step} en {step}.',
  trivial: 'Es demasiado fácil de adivinar.',
  'bad-checksum': 'Por favor, compruebe si hay un error al teclear.',
  differs: 'Esto no concuerda con {other-label}.',
  'check-broken': 'No se ha podido comprobar.',
  'custom/shape-broken': 'No se ha podido comprobar.',
  unreachable: 'No hemos podido comprobarlo ahora mismo. Por favor, inténtelo de nuevo.',
  'choice/required': 'Por favor, elija una opción.',
  'choices/required': 'Por favor, elija al menos una opción.',
  'choices/incomplete': 'Por favor, elija al menos {min}.',
  'date/below-min': 'No es posible nada antes del {min}.',
  'date/above-max': 'No es posible nada después del {max}.',
  'date/no-such-date': 'Esa fecha no existe.',
  'time/below-min': 'No es posible nada antes de las {min}.',
  'time/above-max': 'No es posible nada después de las {max}.',
  'phone/unknown-number': 'Ese número de teléfono no existe.',
  'phone/not-allowed': 'Aquí solo es posible: {wanted}.',
  'yes-no/required': 'Por favor, responda.',
};
