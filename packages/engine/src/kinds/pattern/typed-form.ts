import { type CharacterSet, isIn, recase } from '../../values/characters.ts';
import { graphemes, worthTelling } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { digitsBetween, dropped, escaped } from '../contract/value-form.ts';
import { taken } from '../editing/takes.ts';
import type { Part, PatternPlan, Segment } from './plan.ts';

/** Characters that join the character before them, which changes it. */
const melts = '\\p{M}\\p{EMod}\\u200c\\u200d';
/** Characters that are left out without a report. */
const mark = `[^\\p{L}\\p{N}\\p{So}${melts}]`;

/**
 * Full-width letters fold to those of ASCII (Unicode, Halfwidth and Fullwidth Forms), as digits of any script
 * fold to ASCII digits.
 */
const wide = '\\uFF21-\\uFF3A\\uFF41-\\uFF5A';

/** The full-width forms of the characters of a range that have one. */
function wideOf(from: number, to: number): string {
  const [low, high] = [Math.max(from, 0x21), Math.min(to, 0x7e)];
  return low > high ? '' : `\\u{${(low + 0xfee0).toString(16)}}-\\u{${(high + 0xfee0).toString(16)}}`;
}

const unit = (code: number): string =>
  /[a-z0-9]/i.test(String.fromCodePoint(code)) ? String.fromCodePoint(code) : `\\u{${code.toString(16)}}`;

/**
 * The characters of a set as the inside of a character class, in either case if the cell sets a case itself.
 */
function classOf(set: Exclude<CharacterSet, 'any'>, manner: Part['manner']): string {
  switch (set) {
    case 'digit':
      return '\\p{Nd}';
    case 'latin':
      return `A-Za-z${wide}`;
    case 'letter':
      return `\\p{L}${wide}`;
    case 'alnum':
      return `\\p{Nd}\\p{L}${wide}`;
    default: {
      const pieces: string[] = [];
      for (let i = 0; i < set.length; i += 2) {
        const [from, to] = [itemAt(set, i), itemAt(set, i + 1)];
        pieces.push(from === to ? unit(from) : `${unit(from)}-${unit(to)}`, wideOf(from, to));
        if (manner) pieces.push(...otherCases(from, to));
      }
      const hasDigits = '0123456789'.split('').some((c) => isIn(set, c));
      return `${pieces.join('')}${hasDigits ? '\\p{Nd}' : ''}`;
    }
  }
}

const setOf = ({ takes, set }: Part): CharacterSet => (takes === 'number' ? 'digit' : (set ?? 'any'));

/** What may be typed for a cell of a part; the beginning of a word may be enough. */
function cellOf(part: Part): string {
  const set = part.takes === 'words' ? 'alnum' : setOf(part);
  if (set === 'any') return '(?:[\\s\\S]+)';
  const one = `[${classOf(set, part.manner)}]`;
  return set === 'letter' || set === 'alnum' ? `${one}\\p{M}*` : one;
}

/** Of a range, the letters that become one of it in another case. Wide ranges are not searched. */
function otherCases(from: number, to: number): readonly string[] {
  if (to - from > 5_000) return ['\\p{L}'];
  const cases: string[] = [];
  for (let code = from; code <= to; code++) {
    const c = String.fromCodePoint(code);
    for (const other of [recase(c, 'upper'), recase(c, 'lower')])
      if (other !== c && [...other].length === 1) {
        const own = other.codePointAt(0) ?? 0;
        cases.push(unit(own), wideOf(own, own));
      }
  }
  return cases;
}

const textOf = (before: string | readonly Segment[]): string =>
  typeof before === 'string' ? before : before.map(({ text }) => text).join('');

/** The characters of a fixed text that are reported when left out, each in either case. */
const toldIn = (text: string): readonly string[] =>
  graphemes(text)
    .filter((c) => worthTelling.test(c))
    .flatMap((c) => [c, recase(c, 'upper'), recase(c, 'lower')]);

/**
 * Symbols and spaces between accepted characters, and all fixed text: where it is not accepted, it has been
 * passed.
 */
function betweenOf(told: readonly string[]): { readonly any: string; readonly some: string } {
  if (told.length === 0) return { any: `(?:${mark}${dropped})?`, some: mark + dropped };
  const one = `(?:${mark}[${melts}]*|${[...new Set(told)].map(escaped).join('|')})`;
  return { any: `${one}*`, some: `${one}+` };
}

/** One stretch of equal cells, with the number of repetitions. */
interface Piece {
  readonly text: string;
  readonly least: number;
  readonly most: number;
}

const writtenOf = ({ text, least, most }: Piece): string =>
  least === 1 && most === 1 ? text : `(?:${text}){${least === most ? most : `${least},${most}`}}`;

/**
 * The pieces in sequence. Equal neighbours are written once with a count, so that a text cannot be divided
 * among them in many ways.
 */
function joined(pieces: readonly Piece[]): string {
  const merged: Piece[] = [];
  for (const piece of pieces) {
    const last = merged.at(-1);
    if (last?.text === piece.text)
      merged.splice(-1, 1, { ...last, least: last.least + piece.least, most: last.most + piece.most });
    else merged.push(piece);
  }
  return merged.map(writtenOf).join('');
}

/**
 * An expression for what may be typed into a pattern without the field's help: its cells in sequence, with or
 * without symbols, spaces and fixed text between them. Stretches and optional cells may be left out.
 */
export const typedForm = (plan: PatternPlan): string =>
  plan.alternatives ? plan.alternatives.map((one) => `(?:${typedFormOf(one)})`).join('|') : typedFormOf(plan);

function typedFormOf(plan: PatternPlan): string {
  const told = plan.before.flatMap((text) => toldIn(textOf(text)));
  // If many cells in a row accept the fixed text, a browser would try every way to divide it among them.
  const shared = plan.parts
    .filter((part) => told.some((c) => taken(part, c) !== undefined))
    .reduce((sum, { size }) => sum + size, 0);
  if (shared > 2) return looseForm(plan);
  const { any, some } = betweenOf(told);
  const pieces = plan.parts.flatMap((part): readonly Piece[] => {
    const { takes, first, size, min } = part;
    const isNeeded = part.stretch < 0 && takes !== 'words';
    // In fixed positions each cell has its own place; the accepted characters are the same.
    if (takes === 'number' && isNeeded && plan.positions === 'flow' && plainNumber(plan, first, size))
      return [{ text: any + numberOf(part.low ?? '', part.high ?? '', any, some), least: 1, most: 1 }];
    return [{ text: any + cellOf(part), least: isNeeded ? min : 0, most: size }];
  });
  return `[${melts}]*${joined(pieces)}${any}`;
}

/**
 * An expression that asks for one character per required cell, in order, with anything between. Fewer
 * characters cannot be right.
 */
const looseForm = ({ parts }: PatternPlan): string =>
  `${parts
    .map((part) => {
      const set = setOf(part);
      const least = part.stretch >= 0 || part.takes === 'words' ? 0 : part.takes === 'number' ? 1 : part.min;
      const body = set === 'any' ? '' : classOf(set, part.manner);
      return least === 0 ? '' : body ? `(?:[^${body}]*[${body}]){${least}}` : `[\\s\\S]{${least},}`;
    })
    .join('')}[\\s\\S]*`;

/** Whether nothing is inside a number, so that its digits can be written together. */
const plainNumber = (plan: PatternPlan, first: number, size: number): boolean =>
  Array.from({ length: size - 1 }, (_, i) => textOf(itemAt(plan.before, first + 1 + i))).every(
    (text) => text === '',
  );

/**
 * An expression for a number of two digits between bounds. Of other numbers, digits of another script and
 * separated digits it only requires digits.
 */
function numberOf(low: string, high: string, any: string, some: string): string {
  if (low.length !== 2) return Array.from(low, () => '\\p{Nd}').join(any);
  const bounded = digitsBetween(low, high).replaceAll('\\d', '[0-9]');
  const beyond = '[^\\x00-\\x7F]';
  const others = [`${beyond}${any}\\p{Nd}`, `\\p{Nd}${any}${beyond}`, `[0-9]${some}[0-9]`];
  return `(?:${[bounded, ...others].join('|')})`;
}
