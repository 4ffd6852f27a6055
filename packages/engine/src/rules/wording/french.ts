import type { Wording } from '../wording.ts';

/** Default messages in French, by code. A key `kind/code` applies to that kind only. */
export const french: Wording = {
  required: 'Veuillez remplir ce champ.',
  incomplete: 'Ce n’est pas encore complet.',
  'too-short': {
    by: 'min',
    one: 'Il faut au moins {min} caractère.',
    other: 'Il faut au moins {min} caractères.',
  },
  'too-long': {
    by: 'max',
    one: '{max} caractère est possible au plus.',
    other: '{max} caractères sont possibles au plus.',
  },
  'no-match': 'Ceci n’a pas la forme attendue.',
  'not-allowed': 'Cette valeur n’est pas possible ici.',
  'below-min': 'Il faut au moins {min}.',
  'above-max': 'Au plus {max} est possible.',
  'off-step': 'Cela va par pas de {step}.',
  trivial: 'C’est trop facile à deviner.',
  'bad-checksum': 'Veuillez vérifier qu’il n’y a pas de faute de frappe.',
  differs: 'Cela ne va pas avec {other-label}.',
  'check-broken': 'Cela n’a pas pu être vérifié.',
  'custom/shape-broken': 'Cela n’a pas pu être vérifié.',
  unreachable: 'Nous n’avons pas pu le vérifier à l’instant. Veuillez réessayer.',
  'choice/required': 'Veuillez choisir une possibilité.',
  'choices/required': 'Veuillez choisir au moins une possibilité.',
  'choices/incomplete': 'Veuillez en choisir au moins {min}.',
  'date/below-min': 'Rien avant le {min} n’est possible.',
  'date/above-max': 'Rien après le {max} n’est possible.',
  'date/no-such-date': 'Cette date n’existe pas.',
  'time/below-min': 'Rien avant {min} n’est possible.',
  'time/above-max': 'Rien après {max} n’est possible.',
  'phone/unknown-number': 'Ce numéro de téléphone n’existe pas.',
  'phone/not-allowed': 'Seulement possible ici : {wanted}.',
  'yes-no/required': 'Veuillez répondre.',
};
