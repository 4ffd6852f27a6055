import { define, type Mutation } from '../contract.ts';

const schemes = ['luhn', 'mod97', 'mod11'] as const;

export const checksum = define({
  type: 'checksum',
  options: {
    scheme: {
      is: 'choice',
      label: 'Algorithm',
      at: [],
      choices: [
        ['luhn', 'Luhn, mod 10 (ISO/IEC 7812-1)'],
        ['mod97', 'MOD 97-10 (ISO/IEC 7064)'],
        ['mod11', 'MOD 11-2 (ISO/IEC 7064)'],
      ],
      needed: true,
    },
    over: {
      is: 'choice',
      label: 'Computed over',
      about:
        'What the characters are that it is computed over, in a pattern. Spaces and punctuation never count.',
      at: [],
      choices: [
        ['content', 'typed characters'],
        ['text', 'the text with its fixed text'],
        ['compact', 'what was typed, and fixed letters and digits'],
      ],
      otherwise: 'the raw value',
    },
    rotate: {
      is: 'whole',
      label: 'Leading characters moved to the end',
      about:
        'Read last, behind the others: 4 for an IBAN (ISO 13616). Letters count as two digits, A = 10 to Z = 35.',
      at: [],
      min: 1,
      max: 20,
    },
  },
  data: [],
  mutations: (check) =>
    schemes
      .filter((scheme) => scheme !== check.scheme)
      .map(
        (scheme): Mutation => [`${scheme} instead of ${check.scheme}`, { ...check, scheme } as Mutation[1]],
      ),
});
