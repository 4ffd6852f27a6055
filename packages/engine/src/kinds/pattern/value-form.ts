import { type CharacterSet, isIn, recase } from '../../values/characters.ts';
import { itemAt } from '../../values/item-at.ts';
import { digitsBetween, escaped, type ValueForm } from '../contract/value-form.ts';
import { doOverlap } from './in-use.ts';
import { inRaw } from './layout.ts';
import type { Part, PatternPlan } from './plan.ts';

/** Larger sets are not listed code point by code point. */
const mostListed = 5_000;

/** A code point as text inside a character class. */
const point = (code: number): string =>
  code < 0x80 ? String.fromCodePoint(code).replace(/[\\\]^[-]/, '\\$&') : `\\u{${code.toString(16)}}`;

/** What a cell with a set holds, as an expression, and whether the expression accepts more than the cell. */
function cellOf(
  set: CharacterSet,
  manner: Part['manner'],
): { readonly text: string; readonly isLoose: boolean } {
  const ascii = { upper: 'A-Z', lower: 'a-z', none: 'A-Za-z' }[manner ?? 'none'];
  switch (set) {
    case 'digit':
      return { text: '\\d', isLoose: false };
    case 'latin':
      return { text: `[${ascii}]`, isLoose: false };
    case 'letter':
      return { text: '(?:\\p{L}\\p{M}*)', isLoose: manner !== undefined };
    case 'alnum':
      return { text: '(?:\\d|\\p{L}\\p{M}*)', isLoose: manner !== undefined };
    case 'any':
      return { text: '(?:[^\\p{Cc}\\p{Cs}\\p{Zl}\\p{Zp}]+)', isLoose: true };
    default:
      return inRanges(set, manner);
  }
}

function inRanges(ranges: readonly number[], manner: Part['manner']): { text: string; isLoose: boolean } {
  let size = 0;
  for (let i = 0; i < ranges.length; i += 2) size += itemAt(ranges, i + 1) - itemAt(ranges, i) + 1;
  const kept: [number, number][] = [];
  if (manner === undefined || size > mostListed)
    for (let i = 0; i < ranges.length; i += 2) kept.push([itemAt(ranges, i), itemAt(ranges, i + 1)]);
  else
    for (let i = 0; i < ranges.length; i += 2)
      for (let code = itemAt(ranges, i); code <= itemAt(ranges, i + 1); code++) {
        const c = String.fromCodePoint(code);
        if (!isIn(ranges, c) || recase(c, manner) !== c) continue;
        const last = kept.at(-1);
        if (last && last[1] === code - 1) last[1] = code;
        else kept.push([code, code]);
      }
  const text = kept.map(([from, to]) => (from === to ? point(from) : `${point(from)}-${point(to)}`)).join('');
  // An empty character class matches nothing, like such a cell.
  return { text: `[${text}]`, isLoose: manner !== undefined && size > mostListed };
}

const counted = (min: number, max: number): string =>
  min === max ? (max === 1 ? '' : `{${max}}`) : min === 0 && max === 1 ? '?' : `{${min},${max}}`;

/** What is written so far, and the stretches that are open in it. */
interface Writing {
  text: string;
  isLoose: boolean;
  /** Whether nothing required follows. */
  isTail: boolean;
  readonly open: number[];
}

/** A stretch and those around it, the outermost first. */
function around(plan: PatternPlan, stretch: number): readonly number[] {
  if (stretch < 0) return [];
  const { first, end } = itemAt(plan.stretches, stretch);
  const size = (i: number): number => itemAt(plan.stretches, i).end - itemAt(plan.stretches, i).first;
  return plan.stretches
    .flatMap((other, i) => (i === stretch || (other.first <= first && other.end >= end) ? [i] : []))
    .sort((a, b) => size(b) - size(a) || a - b);
}

function moveTo(writing: Writing, chain: readonly number[]): void {
  const { open } = writing;
  while (open.length > chain.length || open.some((stretch, i) => chain[i] !== stretch)) {
    open.pop();
    writing.text += ')?';
  }
  for (const stretch of chain.slice(open.length)) {
    open.push(stretch);
    writing.text += '(?:';
  }
}

function writeFixed(plan: PatternPlan, writing: Writing, cell: number): void {
  const fixed = itemAt(plan.before, cell);
  const segments = typeof fixed === 'string' ? [{ text: fixed, stretch: -1 }] : fixed;
  for (const { text: shown, stretch } of segments) {
    if (!shown) continue;
    moveTo(writing, around(plan, stretch));
    const text = inRaw(plan, shown);
    if (!text) continue;
    const inside = stretch < 0 ? undefined : itemAt(plan.stretches, stretch);
    const isBehind = inside ? cell > inside.first && (cell >= inside.end || writing.isTail) : writing.isTail;
    const mayStayOut = isBehind && cell > 0;
    writing.isLoose ||= mayStayOut;
    writing.text += mayStayOut ? `(?:${escaped(text)})?` : escaped(text);
  }
}

function writePart(plan: PatternPlan, writing: Writing, part: Part): void {
  moveTo(writing, around(plan, part.stretch));
  if (part.takes === 'number') writing.text += digitsBetween(part.low ?? '', part.high ?? '');
  else if (part.takes === 'words') {
    const words = part.words ?? [];
    writing.text += `(?:${words.map(escaped).join('|')})`;
    // Case and spaces in words: the value is one of them as written.
  } else {
    const { text, isLoose } = cellOf(part.set ?? 'any', part.manner);
    writing.isLoose ||= isLoose;
    writing.text += text + counted(part.min, part.size);
  }
}

/** In fixed positions an empty cell is a space, and spaces at the end are left out. */
function inPlaces(plan: PatternPlan): ValueForm {
  return {
    type: 'string',
    isRaw: true,
    beyond: `blanks only where the pattern of ${plan.cells.length} cells lets one be`,
  };
}

/**
 * The values of several patterns: those of each, unless one before it lays out a content that it completes.
 */
export function valuesOf(plan: PatternPlan): ValueForm {
  const { alternatives } = plan;
  if (!alternatives) return valuesOfOne(plan);
  const forms = alternatives.map(valuesOfOne);
  const expressions = forms.flatMap(({ expression }) => (expression === undefined ? [] : [expression]));
  const beyond = forms.find((form) => form.beyond !== undefined)?.beyond;
  const isOverlapping = beyond === undefined && doOverlap(alternatives);
  return {
    isRaw: true,
    type: 'string',
    ...(expressions.length === forms.length ? { expression: `(?:${expressions.join('|')})` } : {}),
    ...(beyond === undefined ? {} : { beyond }),
    ...(isOverlapping ? { beyond: 'what a pattern further up lays out before this one is complete' } : {}),
  };
}

/** The values of a pattern as an expression: its raw values once they are complete. */
function valuesOfOne(plan: PatternPlan): ValueForm {
  if (plan.positions === 'fixed') return inPlaces(plan);
  const writing: Writing = { text: '', isLoose: false, isTail: false, open: [] };
  // After the last required part everything may be left out, and so may the fixed text before it.
  const needed = plan.parts.findLastIndex((part) => part.min > 0 && part.stretch < 0);
  for (const [i, part] of plan.parts.entries()) {
    writing.isTail = i > needed;
    for (let cell = part.first; cell < part.first + part.size; cell++) writeFixed(plan, writing, cell);
    writePart(plan, writing, part);
  }
  writeFixed(plan, writing, plan.cells.length);
  moveTo(writing, []);
  moveTo(writing, []);
  const fixed = head(plan);
  const hasNeeded = plan.parts.some((part) => part.min > 0 && part.stretch < 0);
  // A stretch or a pattern whose expression also matches without any filled cell would accept more than the
  // field.
  const isFirm = plan.stretches.every((_, i) =>
    plan.parts.some((part) => part.stretch === i && part.min > 0),
  );
  const isGreedy = plan.parts.some((part) => part.min < part.size && !endsBefore(plan, part));
  const isTold = plan.stretches.every((_, i) => beginsTold(plan, i));
  const isLoose = writing.isLoose || !hasNeeded || !isFirm || isGreedy || !isTold;
  return {
    isRaw: true,
    type: fixed ? `\`${fixed}\${string}\`` : 'string',
    expression: writing.text,
    ...(isLoose ? { beyond: 'characters and stretches that the pattern takes only in part' } : {}),
  };
}

/**
 * Whether a value shows where a part of varying length ends: at the end, at fixed text or at a cell that
 * accepts nothing the part does; for words, if none begins another. Otherwise a character could belong to the
 * part or to what follows. It goes to the part, and may then be missing after it.
 */
function endsBefore(plan: PatternPlan, { first, size, stretch, words, set = 'any' }: Part): boolean {
  if (words) return words.every((one) => words.every((other) => other === one || !other.startsWith(one)));
  if (first + size === plan.cells.length) return true;
  const shown = plan.raw === 'content' ? '' : plan.before[first + size];
  if (typeof shown !== 'string') return false;
  const text = inRaw(plan, shown);
  if (text !== '') return !isIn(set, text.charAt(0));
  const next = plan.parts.find((part) => part.first === first + size);
  // An optional part is not an end.
  return next !== undefined && next.min > 0 && next.stretch === stretch && areApart(set, setOf(next));
}

/**
 * Whether a value shows that a stretch is there: it starts with nothing that the text after it could start
 * with. Otherwise a character meant for what follows goes into the stretch, and may then be missing after it.
 */
function beginsTold(plan: PatternPlan, stretch: number): boolean {
  const { first, end } = itemAt(plan.stretches, stretch);
  const behind = plan.parts.filter((part) => part.first >= end);
  if (behind.length === 0) return true;
  const begins = plan.parts.find((part) => part.first === first);
  const opening = inRaw(plan, textOf(plan, first, stretch));
  const set = opening ? pointsOf([opening]) : begins && setOf(begins);
  if (set === undefined) return false;
  const shown = plan.raw === 'content' ? '' : itemAt(plan.before, end);
  if (typeof shown !== 'string') return false;
  const fixed = inRaw(plan, shown);
  if (fixed !== '') return !isIn(set, fixed.charAt(0));
  for (const part of behind) {
    if (!areApart(set, setOf(part))) return false;
    // After an optional part, the next one may follow directly.
    if (part.min > 0 && part.stretch < 0) break;
  }
  return true;
}

/** The fixed text before a cell that is displayed only with its stretch. */
function textOf(plan: PatternPlan, cell: number, stretch: number): string {
  const fixed = itemAt(plan.before, cell);
  return typeof fixed === 'string' ? '' : (fixed.find((one) => one.stretch === stretch)?.text ?? '');
}

const pointsOf = (texts: readonly string[]): readonly number[] =>
  texts.flatMap((text) => {
    const code = text.codePointAt(0) ?? 0;
    return [code, code];
  });

/** The characters a part can start with. */
function setOf({ takes, set = 'any', words = [] }: Part): CharacterSet {
  if (takes === 'words') return pointsOf(words);
  return takes === 'number' ? 'digit' : set;
}

/** Whether two sets have no character in common. */
function areApart(a: CharacterSet, b: CharacterSet): boolean {
  if (typeof a !== 'string') return isApart(a, b);
  if (typeof b !== 'string') return isApart(b, a);
  const both = [a, b];
  return both.includes('digit') && (both.includes('latin') || both.includes('letter'));
}

/** Whether no character of some ranges is in a set, in either case. */
function isApart(ranges: readonly number[], set: CharacterSet): boolean {
  let left = mostListed;
  for (let i = 0; i < ranges.length; i += 2)
    for (let code = itemAt(ranges, i); code <= itemAt(ranges, i + 1); code++) {
      if (--left < 0) return false;
      const c = String.fromCodePoint(code);
      if (isIn(set, c) || isIn(set, recase(c, 'upper')) || isIn(set, recase(c, 'lower'))) return false;
    }
  return true;
}

/** The fixed text every value starts with, as written in a template type of TypeScript. */
function head(plan: PatternPlan): string {
  const [first] = plan.before;
  return typeof first === 'string' ? inRaw(plan, first).replace(/[\\`$]/g, '\\$&') : '';
}
