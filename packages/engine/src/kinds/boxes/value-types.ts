import { fold } from '../../values/graphemes.ts';
import { alphabetOf } from '../contract/alphabet.ts';
import { dropped, type ValueForm } from '../contract/value-form.ts';
import type { ValueTypes } from '../contract/value-types.ts';
import type { BoxesPlan } from './run.ts';

/**
 * An expression for the texts that may be typed or pasted: the code with spaces and symbols anywhere, which a
 * paste drops. Digits and letters may be full-width, and digits may be of any script. A message that names
 * its code after `@host #` is accepted whatever else it contains.
 */
function typedBoxes({ accept, length }: BoxesPlan): string {
  const one = accept === 'digit' ? '\\p{Nd}' : '[\\p{Nd}A-Za-z\\uFF21-\\uFF3A\\uFF41-\\uFF5A]';
  return `(?:${dropped}${one}){${length}}${dropped}|[\\s\\S]*[@\\uFF20][\\s\\S]*[#\\uFF03][\\s\\S]*`;
}

const boxesValues = ({ accept, length }: BoxesPlan): ValueForm => ({
  type: 'string',
  isRaw: true,
  expression: `${accept === 'digit' ? '\\d' : '[0-9A-Za-z]'}{${length}}`,
});

export const valueTypes: ValueTypes<BoxesPlan> = {
  values: boxesValues,
  typedForm: typedBoxes,
  // These two symbols mark the code in a message.
  alphabet: ({ accept }) =>
    alphabetOf([], ['@', '#'], (c) => {
      const digit = /[0-9]/.test(fold(c));
      return `${digit || (accept === 'alnum' && /[0-9a-z]/i.test(fold(c)))} ${digit} ${/[@#]/.test(c) ? c : ''} ${/\s/.test(c)}`;
    }),
};
