import type { WordsOf } from '../words-of.ts';

const overWords: Readonly<Record<string, string>> = {
  content: 'over what was typed',
  text: 'over the whole text',
  compact: 'over letters and digits',
};
const schemes: Readonly<Record<string, string>> = { luhn: 'Luhn', mod97: 'MOD 97-10', mod11: 'MOD 11-2' };

export const checksum: WordsOf<'checksum'> = {
  starts: () => [
    { id: 'luhn', label: 'Card number check (Luhn)', check: { type: 'checksum', scheme: 'luhn' }, isApart: true },
    { id: 'iban', label: 'IBAN check (MOD 97-10)', check: { type: 'checksum', scheme: 'mod97', over: 'compact', rotate: 4 } },
    { id: 'check', label: 'Other check digit…', check: { type: 'checksum', scheme: 'mod11' } },
  ], // biome-ignore format: one rule a line
  inWords: ({ scheme, over, rotate }) =>
    `has a valid check digit (${[
      schemes[scheme],
      ...(over ? [overWords[over]] : []),
      ...(rotate ? [`first ${rotate} characters moved to the end`] : []),
    ].join(', ')})`,
  codeOf: () => 'bad-checksum',
};
