import type { Offer } from '../../options/option.ts';

/**
 * What separates the values of several picked options in raw: a space (HTML, space-separated tokens), or a
 * line break if a value has a space.
 *
 * @example
 * separatorOf([{ value: 'half board', label: 'Half board' }]); // '\n'
 */
export const separatorOf = (options: readonly Offer[]): ' ' | '\n' =>
  options.some(({ value }) => /\s/u.test(value)) ? '\n' : ' ';
