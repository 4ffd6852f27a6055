import { compileField, type FieldDocument } from '@arbeit/engine/document';
import { type Said, say } from '@arbeit/engine/faults';
import { kinds } from '@arbeit/engine/kinds';
import { type Matter, parseNotation, printNotation } from '@arbeit/engine/kinds/pattern';
import {
  type Automaton,
  distinguishingText,
  type ExpressionNode,
  parseExpression,
  type StateBudget,
} from '@arbeit/engine/rules';
import { valueTypesOf } from '@arbeit/engine/value-types';
import { ofLength, piecesOf, spanOf } from './lengths.ts';
import { notPatternTexts } from './texts.ts';

/** A regular expression in the notation of patterns. */
export type PatternOf =
  /** A pattern whose values are exactly the texts that match. */
  | { readonly is: 'exact'; readonly pattern: string }
  /** There is no exact pattern. `because` is the reason, with an example text if there is one. */
  | { readonly is: 'not'; readonly because: Said };

/** Thrown for a part of an expression that the notation cannot express. */
class Unsayable extends Error {
  constructor(readonly because: Said) {
    super(because.message);
  }
}

function stop(because: Said): never {
  throw new Unsayable(because);
}

/** Most parts of a pattern. */
const mostParts = 300;

/** Most texts listed to find out whether they are the numbers between two bounds. */
const mostNumbers = 10_000;

/** Below this many numbers, alternatives become a choice of words instead of a range. */
const fewest = 12;

/**
 * Most automaton states visited by all proofs for one source, so that a page with a thousand expressions is
 * read as quickly as one with ten.
 */
const mostStates = 100_000;

/** Length limits beside an expression, in characters. */
export interface Lengths {
  readonly least?: number | undefined;
  readonly most?: number | undefined;
}

export type PatternReader = (source: string, lengths?: Lengths) => PatternOf;

/**
 * Returns a reader for the expressions of one source: equal expressions are read once, and all share one
 * budget.
 */
export function patternReader(): PatternReader {
  const budget = { left: mostStates };
  const known = new Map<string, PatternOf>();
  return (source, lengths = {}) => {
    const key = JSON.stringify([source, lengths.least, lengths.most]);
    const result = known.get(key) ?? patternOf(source, lengths, budget);
    known.set(key, result);
    return result;
  };
}

/**
 * A regular expression (ECMAScript, matched as a whole) as an exact pattern, if there is one. Equality is
 * proven by visiting the states of both automata together. `lengths` limits the texts of the expression.
 */
export function patternOf(
  source: string,
  lengths: Lengths = {},
  budget: StateBudget = { left: mostStates },
): PatternOf {
  const whole = parseExpression(source);
  if ('message' in whole) return { is: 'not', because: whole };
  let automaton: Automaton;
  let pattern: string;
  try {
    automaton = soLong(whole, lengths);
    pattern = printNotation(tidy(matterOf(automaton, automaton.root)));
  } catch (error) {
    if (!(error instanceof Unsayable)) throw error;
    return { is: 'not', because: error.because };
  }
  const { faults } = parseNotation(pattern);
  if (faults[0]) return { is: 'not', because: faults[0] };
  return proven(automaton, pattern, budget);
}

/** The field of a pattern. Its raw value is its text, as an expression reads it. */
const fieldOf = (pattern: string) =>
  compileField(
    { id: 'a', kind: 'pattern', label: 'A', entry: { pattern, raw: 'text' } } as FieldDocument,
    { locale: 'en-GB' },
    kinds,
  );

function proven(automaton: Automaton, pattern: string, budget: StateBudget): PatternOf {
  const field = fieldOf(pattern);
  const { values: form } = valueTypesOf(field.plan);
  const own = form.expression === undefined ? undefined : parseExpression(form.expression);
  if (form.beyond !== undefined || !own || 'message' in own)
    return {
      is: 'not',
      because: say(notPatternTexts, 'accepts-less', { pattern: short(pattern) }),
    };
  const apart = distinguishingText(automaton, own, budget);
  if (apart === undefined) return { is: 'exact', pattern };
  return {
    is: 'not',
    because:
      apart === null
        ? say(notPatternTexts, 'too-large-to-compare')
        : say(notPatternTexts, 'accepts-other', { pattern: short(pattern), text: apart }),
  };
}

/** A pattern, shortened for a sentence. */
const short = (pattern: string): string => (pattern.length > 60 ? `${pattern.slice(0, 59)}…` : pattern);

/** Restricts the automaton to texts whose length is within the limits. */
function soLong(whole: Automaton, { least = 0, most = Number.POSITIVE_INFINITY }: Lengths): Automaton {
  const own = ofLength(whole, { least, most });
  if (own) return own;
  const span = spanOf(whole, whole.root);
  // The reason is reported where the repetition is read.
  if (!Number.isFinite(span.most)) return whole;
  return stop(say(notPatternTexts, 'length-inside', { least: span.least, most: span.most }));
}

/** Alternatives, nested ones included. */
function alternatives({ nodes }: Automaton, i: number): readonly number[] {
  const node = nodes[i];
  return node?.op === 'either'
    ? [...alternatives({ nodes, root: 0 }, node.a), ...alternatives({ nodes, root: 0 }, node.b)]
    : [i];
}

function matterOf(m: Automaton, i: number): readonly Matter[] {
  return piecesOf(m, i).flatMap((piece) => pieceOf(m, piece));
}

function pieceOf(m: Automaton, i: number): readonly Matter[] {
  // Every index of a parsed expression leads to a node.
  const node = m.nodes[i] as ExpressionNode;
  switch (node.op) {
    case 'one':
      return [single(node)];
    case 'counted':
      return repeated(m, node);
    case 'either':
      return choiceOf(m, i);
    case 'many':
      return stop(say(notPatternTexts, 'unlimited-repetition'));
    case 'both':
    case 'not':
      return stop(say(notPatternTexts, 'look-ahead'));
    case 'nothing':
      return stop(say(notPatternTexts, 'matches-nothing'));
    case 'sequence':
    case 'empty':
      return matterOf(m, i);
  }
}

/** One character: fixed text if only one is possible, otherwise a cell. */
function single({ ranges, properties = [], negated }: ExpressionNode & { op: 'one' }): Matter {
  const [from, to] = ranges;
  if (!negated && properties.length === 0 && ranges.length === 2 && from === to && from !== undefined)
    return { type: 'text', text: String.fromCodePoint(from) };
  return { type: 'cells', min: 1, max: 1, ...takesOf(ranges, properties, negated === true) };
}

type Cells = Extract<Matter, { type: 'cells' }>;

function takesOf(
  ranges: readonly number[],
  properties: readonly string[],
  negated: boolean,
): Pick<Cells, 'takes' | 'manner'> {
  if (negated) return stop(say(notPatternTexts, 'negated-class'));
  if (properties.length === 1 && ranges.length === 0 && /^(?:L|Letter|Alphabetic)$/.test(properties[0] ?? ''))
    return { takes: { type: 'built-in', name: 'letter' } };
  if (properties.length > 0) return stop(say(notPatternTexts, 'unicode-property'));
  const merged = mergedRanges(ranges);
  const written = merged.map(([from, to]) => `${from}-${to}`).join(' ');
  const name = { '48-57': 'digit', '65-90 97-122': 'latin' }[written];
  if (name) return { takes: { type: 'built-in', name: name as 'digit' } };
  if (written === '65-90') return { takes: { type: 'built-in', name: 'latin' }, manner: 'upper' };
  if (written === '97-122') return { takes: { type: 'built-in', name: 'latin' }, manner: 'lower' };
  if (merged.some(([from, to]) => from <= 34 && to >= 34))
    return stop(say(notPatternTexts, 'quotation-mark'));
  // A "-" is first, where it stands for itself.
  const sorted = [...merged].sort(([a], [b]) => Number(b === 45) - Number(a === 45));
  const characters = sorted
    .map(([from, to]) => {
      const [low, high] = [String.fromCodePoint(from), String.fromCodePoint(to)];
      return from === to ? low : to === from + 1 ? low + high : `${low}-${high}`;
    })
    .join('');
  const letters = characters.replace(/[^\p{L}]/gu, '');
  const manner =
    letters && letters === letters.toUpperCase()
      ? 'upper'
      : letters && letters === letters.toLowerCase()
        ? 'lower'
        : undefined;
  return { takes: { type: 'characters', characters }, ...(manner ? { manner } : {}) };
}

function mergedRanges(ranges: readonly number[]): readonly (readonly [number, number])[] {
  const pairs: [number, number][] = [];
  for (let i = 0; i + 1 < ranges.length; i += 2) pairs.push([ranges[i] ?? 0, ranges[i + 1] ?? 0]);
  pairs.sort(([a], [b]) => a - b);
  const merged: [number, number][] = [];
  for (const [from, to] of pairs) {
    const last = merged.at(-1);
    if (last && from <= last[1] + 1) last[1] = Math.max(last[1], to);
    else merged.push([from, to]);
  }
  return merged;
}

/** A repetition: cells for a single character, otherwise the repeated parts. */
function repeated(m: Automaton, { a, min, max }: ExpressionNode & { op: 'counted' }): readonly Matter[] {
  const inside = matterOf(m, a);
  // Nested repetitions multiply.
  if (inside.length * min > mostParts) return stop(say(notPatternTexts, 'too-long'));
  const [only] = inside;
  if (inside.length === 1 && only?.type === 'cells' && only.min === 1 && only.max === 1)
    return [{ ...only, min, max }];
  if (max > 40) return stop(say(notPatternTexts, 'too-many-repetitions'));
  const needed = Array.from({ length: min }, () => inside).flat();
  if (max === min) return needed;
  if (max > min + 1) return stop(say(notPatternTexts, 'varying-group'));
  return [...needed, stretch(inside)];
}

const stretch = (nodes: readonly Matter[]): Matter => ({
  type: 'stretch',
  nodes: nodes.map((node) => ({ ...node, at: 0, end: 0 })),
});

/** Alternatives: an optional part, a number between two bounds, or words. */
function choiceOf(m: Automaton, i: number): readonly Matter[] {
  const all = alternatives(m, i);
  const present = all.filter((one) => m.nodes[one]?.op !== 'empty');
  if (present.length < all.length) {
    const inside = present.length === 1 ? matterOf(m, present[0] ?? 0) : [oneOf(m, present)];
    const [only] = inside;
    if (inside.length === 1 && only?.type === 'text')
      return stop(say(notPatternTexts, 'optional-text', { text: only.text }));
    if (inside.length === 1 && only?.type === 'cells' && only.min === 1) return [{ ...only, min: 0 }];
    return [stretch(inside)];
  }
  return [oneOf(m, all)];
}

function oneOf(m: Automaton, all: readonly number[]): Matter {
  const texts = textsOf(m, all);
  if (!texts) return stop(say(notPatternTexts, 'mixed-alternatives'));
  const sorted = [...new Set(texts)].sort();
  const [low = '', high = ''] = [sorted[0], sorted.at(-1)];
  const isNumbers = sorted.every((text) => /^\d+$/.test(text) && text.length === low.length);
  if (isNumbers && Number(high) - Number(low) + 1 === sorted.length && sorted.length > 1)
    return { type: 'number', low, high };
  if (sorted.length > fewest && sorted.every((text) => /^\d+$/.test(text)))
    return stop(say(notPatternTexts, 'number-gaps'));
  if (sorted.some((text) => /[\s|<>".]/.test(text) || text === ''))
    return stop(say(notPatternTexts, 'words-with-signs'));
  return { type: 'words', words: [...new Set(texts)] };
}

/** All texts of alternatives, if they are few; `undefined` if there are too many. */
function textsOf(m: Automaton, all: readonly number[]): readonly string[] | undefined {
  const found: string[] = [];
  for (const one of all) {
    let texts: readonly string[] = [''];
    for (const piece of piecesOf(m, one)) {
      const next = pieceTexts(m, piece);
      if (!next || texts.length * next.length > mostNumbers) return undefined;
      texts = texts.flatMap((text) => next.map((more) => text + more));
    }
    found.push(...texts);
    if (found.length > mostNumbers) return undefined;
  }
  return found;
}

function pieceTexts(m: Automaton, i: number): readonly string[] | undefined {
  const node = m.nodes[i];
  if (node?.op === 'either') return textsOf(m, alternatives(m, i));
  if (node?.op === 'counted' && node.min === node.max && node.max <= 6) {
    const one = textsOf(m, [node.a]);
    let texts: readonly string[] = [''];
    for (let n = 0; one && n < node.max; n++) {
      if (texts.length * one.length > mostNumbers) return undefined;
      texts = texts.flatMap((text) => one.map((more) => text + more));
    }
    return one && texts;
  }
  if (node?.op !== 'one' || node.negated || node.properties?.length) return undefined;
  const texts: string[] = [];
  for (const [from, to] of mergedRanges(node.ranges)) {
    if (to - from > 100) return undefined;
    for (let code = from; code <= to; code++) texts.push(String.fromCodePoint(code));
  }
  return texts;
}

/** Joins equal neighbouring cells to one part, and neighbouring fixed text to one piece. */
function tidy(matter: readonly Matter[]): readonly Matter[] {
  const tidied: Matter[] = [];
  for (const one of matter) {
    const own: Matter = one.type === 'stretch' ? stretch(tidy(one.nodes)) : one;
    const last = tidied.at(-1);
    const number = last?.type === 'cells' && own.type === 'cells' ? tens(last, own) : undefined;
    if (last?.type === 'text' && own.type === 'text')
      tidied.splice(-1, 1, { type: 'text', text: last.text + own.text });
    else if (number) tidied.splice(-1, 1, number);
    else if (last?.type === 'cells' && own.type === 'cells' && isAlike(last, own))
      tidied.splice(-1, 1, { ...last, min: last.min + own.min, max: last.max + own.max });
    else tidied.push(own);
  }
  return tidied;
}

/** Joins a cell with some digits and a cell with all digits to a number of two digits. */
function tens(first: Cells, second: Cells): Matter | undefined {
  const isOne = ({ min, max }: Cells): boolean => min === 1 && max === 1;
  if (!isOne(first) || !isOne(second) || first.takes.type !== 'characters') return undefined;
  if (second.takes.type !== 'built-in' || second.takes.name !== 'digit') return undefined;
  const [, from, to] = /^(\d)-?(\d)$/.exec(first.takes.characters) ?? [];
  return from === undefined ? undefined : { type: 'number', low: `${from}0`, high: `${to}9` };
}

const isAlike = (a: Cells, b: Cells): boolean =>
  JSON.stringify([a.takes, a.manner]) === JSON.stringify([b.takes, b.manner]);
