import { shape } from '../../options/shapes.ts';
import { define, type Mutation } from '../contract.ts';

const schemes = ['luhn', 'mod97', 'mod11'] as const;

export const checksum = define<{
  readonly type: 'checksum';
  readonly scheme: (typeof schemes)[number];
  readonly rotate?: number;
}>({
  type: 'checksum',
  members: { scheme: 'needed', rotate: 'optional' },
  read(at) {
    if (at.has('rotate')) at.get('rotate').wholeFrom(1, 20);
    if (at.has('scheme')) at.get('scheme').oneOf(schemes);
  },
  schemas: [
    shape(
      {
        type: { const: 'checksum' },
        scheme: { enum: schemes },
        rotate: {
          type: 'integer',
          minimum: 1,
          maximum: 20,
          description: 'So many first characters are read last (4 for an IBAN, ISO 13616).',
        },
      },
      ['scheme'],
    ),
  ],
  data: [],
  compile: (check) => check,
  mutations: (check) =>
    schemes
      .filter((scheme) => scheme !== check.scheme)
      .map(
        (scheme): Mutation => [`${scheme} instead of ${check.scheme}`, { ...check, scheme } as Mutation[1]],
      ),
});
