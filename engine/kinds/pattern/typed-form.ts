import { type CharacterSet, isIn, recase } from '../../values/characters.ts';
import { graphemes } from '../../values/graphemes.ts';
import { item } from '../../values/item.ts';
import { digitsBetween } from '../value-form.ts';
import type { Part, PatternPlan, Segment } from './plan.ts';

/** Between what is taken, a text may have marks and blanks, which a paste loses: everything that is neither letter nor digit. */
const aside = '[^\\p{L}\\p{N}]*';

/** Full-width letters fold to those of ASCII (Unicode, Halfwidth and Fullwidth Forms), as digits of any script do to digits. */
const wide = '\\uFF21-\\uFF3A\\uFF41-\\uFF5A';

/** The full-width form of what of a range has one. */
function wideOf(from: number, to: number): string {
  const [low, high] = [Math.max(from, 0x21), Math.min(to, 0x7e)];
  return low > high ? '' : `\\u{${(low + 0xfee0).toString(16)}}-\\u{${(high + 0xfee0).toString(16)}}`;
}

const unit = (code: number): string =>
  /[a-z0-9]/i.test(String.fromCodePoint(code)) ? String.fromCodePoint(code) : `\\u{${code.toString(16)}}`;

/** What may be typed for a cell of a set: either case, where the cell has a case of its own. */
function cellOf(set: CharacterSet, manner: Part['manner']): string {
  switch (set) {
    case 'digit':
      return '\\p{Nd}';
    case 'latin':
      return `[A-Za-z${wide}]`;
    case 'letter':
      return `(?:[\\p{L}${wide}]\\p{M}*)`;
    case 'alnum':
      return `(?:[\\p{Nd}\\p{L}${wide}]\\p{M}*)`;
    case 'any':
      return '(?:[\\s\\S]+)';
    default: {
      const pieces: string[] = [];
      for (let i = 0; i < set.length; i += 2) {
        const [from, to] = [item(set, i), item(set, i + 1)];
        pieces.push(from === to ? unit(from) : `${unit(from)}-${unit(to)}`, wideOf(from, to));
        if (manner) pieces.push(...otherCases(from, to));
      }
      const hasDigits = '0123456789'.split('').some((c) => isIn(set, c));
      return `[${pieces.join('')}${hasDigits ? '\\p{Nd}' : ''}${manner ? wide : ''}]`;
    }
  }
}

/** Of a range, the letters that come to one of it in another case; of wide ranges none are gone through. */
function otherCases(from: number, to: number): readonly string[] {
  if (to - from > 5_000) return ['\\p{L}'];
  const cases: string[] = [];
  for (let code = from; code <= to; code++) {
    const c = String.fromCodePoint(code);
    for (const other of [recase(c, 'upper'), recase(c, 'lower')])
      if (other !== c && [...other].length === 1) cases.push(unit(item([...other], 0).codePointAt(0) ?? 0));
  }
  return cases;
}

/** Letters and digits of fixed text may be typed or left out, in either case; what else is in it is aside. */
const fixed = (text: string): string =>
  graphemes(text)
    .filter((c) => /[\p{L}\p{N}]/u.test(c))
    .map((c) => `(?:[${[...new Set([c, recase(c, 'upper'), recase(c, 'lower')])].join('')}]${aside})?`)
    .join('');

const textOf = (before: string | readonly Segment[]): string =>
  typeof before === 'string' ? before : before.map(({ text }) => text).join('');

/**
 * What may be typed for a pattern without the field's help, as an expression: its cells one after the other, with marks, blanks and
 * fixed text between them or not. Stretches, and cells that may stay out, may.
 */
export function typedForm(plan: PatternPlan): string {
  let text = aside;
  for (const { takes, first, size, min, stretch, ...part } of plan.parts) {
    const isNeeded = stretch < 0;
    // In fixed positions each cell has its own place; what is taken are the same characters.
    const written: string[] = [];
    if (takes === 'number' && isNeeded && plan.positions === 'flow' && plainNumber(plan, first, size))
      text += fixed(textOf(item(plan.before, first))) + numberOf(part.low ?? '', part.high ?? '');
    else {
      for (let cell = first; cell < first + size; cell++) {
        const one =
          takes === 'words'
            ? wordCell
            : cellOf(takes === 'number' ? 'digit' : (part.set ?? 'any'), part.manner);
        const isOptional = !isNeeded || takes === 'words' || cell - first >= min;
        written.push(`${fixed(textOf(item(plan.before, cell)))}(?:${one}${aside})${isOptional ? '?' : ''}`);
      }
      text += written.join('');
    }
  }
  return text + fixed(textOf(item(plan.before, plan.cells.length)));
}

/** Of a word its beginning may be enough. */
const wordCell = `(?:[\\p{L}\\p{N}${wide}]\\p{M}*)`;

/** Whether nothing stands inside a number, so that its digits are said together. */
const plainNumber = (plan: PatternPlan, first: number, size: number): boolean =>
  Array.from({ length: size - 1 }, (_, i) => textOf(item(plan.before, first + 1 + i))).every(
    (text) => text === '',
  );

/**
 * A number of two digits between bounds. Other numbers, digits of another script, and digits that stand apart are only said to be digits.
 */
function numberOf(low: string, high: string): string {
  if (low.length !== 2) return Array.from(low, () => `\\p{Nd}${aside}`).join('');
  const bounded = digitsBetween(low, high).replaceAll('\\d', '[0-9]');
  const beyond = '[^\\x00-\\x7F]';
  const others = [`${beyond}${aside}\\p{Nd}`, `\\p{Nd}${aside}${beyond}`, '[0-9][^\\p{L}\\p{N}]+[0-9]'];
  return `(?:${[bounded, ...others].join('|')})${aside}`;
}
