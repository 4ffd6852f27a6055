import { type Fault, fault } from '../faults/fault.ts';
import { type Said, say } from '../faults/say.ts';
import { expressionTexts } from '../faults/texts.ts';
import { itemAt } from '../values/item-at.ts';
import type { Automaton, ExpressionNode } from './automaton-data.ts';

/**
 * Parses a regular expression (ECMAScript syntax with `u`; flags `i` and `s`) for `matches` rules. It
 * matches the whole value. Back references, look-behind and other parts that need backtracking are faults,
 * with a suggestion where there is one.
 *
 * @example
 * const automaton = parseExpression('[A-Z]{2}-[0-9]{4}');
 */
export function parseExpression(source: string, flags = ''): Automaton | Fault {
  const reader: Reader = { source, at: 0, depth: 0, nodes: [], index: new Map(), flags };
  try {
    if (source.length > longest)
      stop(reader, longest, say(expressionTexts, 'expression-too-long', { most: longest }));
    const root = readEither(reader, 'whole');
    if (reader.at < source.length)
      stop(reader, reader.at, say(expressionTexts, 'unmatched-parenthesis'), '\\)');
    const pieces = weigh(reader.nodes, root);
    if (pieces > mostPieces)
      stop(reader, 0, say(expressionTexts, 'expression-too-large', { count: pieces, most: mostPieces }));
    return { nodes: reader.nodes, root };
  } catch (error) {
    if (error instanceof ExpressionError) return error.fault;
    throw error;
  }
}

class ExpressionError extends Error {
  constructor(readonly fault: Fault) {
    super(fault.message);
  }
}

interface Reader {
  readonly source: string;
  at: number;
  depth: number;
  readonly nodes: ExpressionNode[];
  readonly index: Map<string, number>;
  readonly flags: string;
}

/** Largest number of copies that a count may ask for. */
const mostCopies = 1000;

const longest = 2000;
const deepest = 100;

/** Largest number of nodes of an expression with its counts written out. */
const mostPieces = 3000;

function weigh(nodes: readonly ExpressionNode[], root: number): number {
  // Nodes are shared, so each is counted once.
  const weights: number[] = [];
  const of = (i: number): number => {
    weights[i] ??= weighed(itemAt(nodes, i));
    return weights[i];
  };
  const weighed = (node: ExpressionNode): number => {
    switch (node.op) {
      case 'nothing':
      case 'empty':
      case 'one':
        return 1;
      case 'many':
      case 'not':
        return of(node.a);
      case 'counted':
        return node.max * of(node.a);
      case 'sequence':
      case 'either':
      case 'both':
        return of(node.a) + of(node.b);
    }
  };
  return of(root);
}

function stop(r: Reader, at: number, said: Said, suggestion?: string): never {
  throw new ExpressionError(fault(r.source, at, Math.max(at + 1, r.at), said, suggestion));
}

function add(r: Reader, node: ExpressionNode): number {
  const key = JSON.stringify(node);
  const known = r.index.get(key);
  if (known !== undefined) return known;
  r.index.set(key, r.nodes.length);
  return r.nodes.push(node) - 1;
}

const anything = (r: Reader): number => add(r, { op: 'not', a: add(r, { op: 'nothing' }) });

/**
 * Where alternatives appear. Look-aheads and "$" are possible only in the whole expression and in a
 * look-ahead, not in a group.
 */
type Place = 'whole' | 'look-ahead' | 'group';

/** Reads alternatives. `isFirst`: whether they start at the start of the value. */
function readEither(r: Reader, place: Place, isFirst = place === 'whole'): number {
  if (++r.depth > deepest) stop(r, r.at, say(expressionTexts, 'groups-too-deep', { most: deepest }));
  let either = readSequence(r, place, isFirst);
  while (r.source[r.at] === '|') {
    r.at++;
    either = add(r, { op: 'either', a: either, b: readSequence(r, place, isFirst) });
  }
  r.depth--;
  return either;
}

type Item = { readonly node: number; readonly look?: 'ahead' | 'not-ahead' };

function readSequence(r: Reader, place: Place, isFirst: boolean): number {
  const items: Item[] = [];
  const from = r.at;
  let isEnded = place !== 'look-ahead';
  let isAtStart = isFirst;
  while (r.at < r.source.length && r.source[r.at] !== '|' && r.source[r.at] !== ')') {
    const c = itemAt(r.source, r.at);
    if (c === '^') {
      if (!isFirst || r.at !== from) stop(r, r.at, say(expressionTexts, 'misplaced-start'), '\\^');
      r.at++;
    } else if (c === '$') {
      const next = r.source[r.at + 1];
      const isLast = next === '|' || next === (place === 'whole' ? undefined : ')');
      if (place === 'group' || !isLast) stop(r, r.at, say(expressionTexts, 'misplaced-end'), '\\$');
      r.at++;
      isEnded = true;
    } else {
      const item = readItem(r, place, isAtStart);
      isAtStart &&= item.look !== undefined;
      items.push(item);
    }
  }
  // From the right, because a look-ahead is about everything after it.
  return items.reduceRight(
    (rest, item) => {
      if (!item.look) return add(r, { op: 'sequence', a: item.node, b: rest });
      const a = item.look === 'ahead' ? item.node : add(r, { op: 'not', a: item.node });
      return add(r, { op: 'both', a, b: rest });
    },
    isEnded ? add(r, { op: 'empty' }) : anything(r),
  );
}

function readItem(r: Reader, place: Place, isAtStart: boolean): Item {
  const at = r.at;
  const look = /^\(\?([=!])/.exec(r.source.slice(at, at + 3));
  if (look) {
    if (place === 'group') stop(r, at, say(expressionTexts, 'lookahead-in-group'));
    r.at += 3;
    const node = readEither(r, 'look-ahead', isAtStart);
    close(r, at);
    return { node, look: look[1] === '=' ? 'ahead' : 'not-ahead' };
  }
  return { node: readCount(r, readAtom(r)) };
}

function readCount(r: Reader, atom: number): number {
  let node = atom;
  const at = r.at;
  const sign = r.source[at];
  const counted = /^\{(\d+)(,(\d*))?\}/.exec(r.source.slice(at));
  if (sign === '*' || sign === '+' || sign === '?') {
    r.at++;
    const many = add(r, { op: 'many', a: atom });
    if (sign === '*') node = many;
    else if (sign === '+') node = add(r, { op: 'sequence', a: atom, b: many });
    else node = add(r, { op: 'either', a: atom, b: add(r, { op: 'empty' }) });
  } else if (counted) {
    r.at += counted[0].length;
    const min = +itemAt(counted, 1);
    const max = counted[2] === undefined ? min : counted[3] ? +counted[3] : undefined;
    if (Math.max(min, max ?? 0) > mostCopies)
      stop(r, at, say(expressionTexts, 'count-too-large', { most: mostCopies }));
    if (max !== undefined && max < min)
      stop(r, at, say(expressionTexts, 'count-reversed'), `{${max},${min}}`);
    node =
      max === 0
        ? add(r, { op: 'empty' })
        : add(r, { op: 'counted', a: atom, min, max: max ?? Math.max(min, 1) });
    if (max === undefined) {
      const many = add(r, { op: 'many', a: atom });
      node =
        min === 0
          ? many
          : add(r, { op: 'sequence', a: add(r, { op: 'counted', a: atom, min, max: min }), b: many });
    }
  } else if (sign === '{') stop(r, at, say(expressionTexts, 'count-unfinished'), '\\{');
  else return node;
  if (r.source[r.at] === '?') r.at++; // Lazy or greedy makes no difference to a whole value.
  if (/[*+?{]/.test(r.source[r.at] ?? '')) stop(r, r.at, say(expressionTexts, 'nothing-to-repeat'));
  return node;
}

function close(r: Reader, opened: number): void {
  if (r.source[r.at] !== ')') stop(r, opened, say(expressionTexts, 'unclosed-parenthesis'));
  r.at++;
}

function readAtom(r: Reader): number {
  const at = r.at;
  const c = String.fromCodePoint(r.source.codePointAt(at)!);
  r.at += c.length;
  switch (c) {
    case '(': {
      const kind = /^\?(:|<[\p{ID_Start}$_][\p{ID_Continue}$]*>)/u.exec(r.source.slice(r.at));
      if (kind) r.at += kind[0].length;
      else if (r.source.startsWith('?<=', r.at) || r.source.startsWith('?<!', r.at))
        stop(r, at, say(expressionTexts, 'lookbehind'));
      else if (r.source[r.at] === '?') stop(r, at, say(expressionTexts, 'unknown-group'));
      const node = readEither(r, 'group');
      close(r, at);
      return node;
    }
    case '[':
      return readClass(r, at);
    case '.':
      return add(
        r,
        r.flags.includes('s')
          ? one([], undefined, true)
          : one([10, 10, 13, 13, 0x2028, 0x2029], undefined, true),
      );
    case '\\':
      return readEscape(r, at);
    case '*':
    case '+':
    case '?':
    case '{':
      return stop(r, at, say(expressionTexts, 'nothing-before-quantifier', { sign: c }), `\\${c}`);
    case ']':
    case '}':
      return stop(r, at, say(expressionTexts, 'unmatched-sign', { sign: c }), `\\${c}`);
    default:
      return single(r, c.codePointAt(0)!);
  }
}

type Characters = { ranges: number[]; properties: string[]; negated: boolean };

const one = (
  ranges: readonly number[],
  properties?: readonly string[],
  negated?: boolean,
): ExpressionNode => ({
  op: 'one',
  ranges,
  ...(properties?.length ? { properties } : {}),
  ...(negated ? { negated } : {}),
});

const single = (r: Reader, code: number): number => add(r, one(inBothCases(r, [code, code])));

/**
 * Letters of each set that flag `i` takes for one another, by code point (ECMAScript, Canonicalize with `u`).
 * `RegExp` itself decides. Computed at first use, when a definition is compiled.
 */
let alike: ReadonlyMap<number, readonly number[]> | undefined;

function lettersAlike(): ReadonlyMap<number, readonly number[]> {
  if (alike) return alike;
  const groups = new Map<string, number[]>();
  for (let code = 0; code < 0x1ffff; code++) {
    const c = String.fromCodePoint(code);
    const lower = c.toLowerCase();
    if (lower === c && c.toUpperCase() === c) continue;
    const key = lower.toUpperCase();
    groups.set(key, [...(groups.get(key) ?? []), code]);
  }
  alike = new Map(
    [...groups.values()].flatMap((group) =>
      group.map((code): [number, number[]] => {
        const same = new RegExp(`\\u{${code.toString(16)}}`, 'iu');
        return [code, group.filter((one) => one !== code && same.test(String.fromCodePoint(one)))];
      }),
    ),
  );
  return alike;
}

/** The ranges with all letters added that flag `i` takes for one of them. */
function inBothCases(r: Reader, ranges: readonly number[], properties: readonly string[] = []): number[] {
  const all = [...ranges];
  if (!r.flags.includes('i')) return all;
  const own = properties.map((name) => {
    const escaped = name.startsWith('^') ? `\\P{${name.slice(1)}}` : `\\p{${name}}`;
    return [new RegExp(escaped, 'u'), new RegExp(escaped, 'iu')] as const;
  });
  const isIn = (code: number): boolean =>
    ranges.some((from, i) => i % 2 === 0 && code >= from && code <= itemAt(ranges, i + 1));
  const add = (code: number): void => {
    all.push(code, code);
  };
  const isOne = ranges.length === 2 && ranges[0] === ranges[1] && !own.length;
  if (isOne) for (const other of lettersAlike().get(itemAt(ranges, 0)) ?? []) add(other);
  else
    for (const [code, others] of lettersAlike()) {
      if (isIn(code)) others.forEach(add);
      const c = String.fromCodePoint(code);
      if (own.some(([exact, folded]) => !exact.test(c) && folded.test(c))) add(code);
    }
  return all;
}

const shorthands: Readonly<Record<string, Characters>> = {
  d: { ranges: [48, 57], properties: [], negated: false },
  w: { ranges: [48, 57, 65, 90, 95, 95, 97, 122], properties: [], negated: false },
  s: {
    ranges: [
      9, 13, 32, 32, 160, 160, 0x1680, 0x1680, 0x2000, 0x200a, 0x2028, 0x2029, 0x202f, 0x202f, 0x205f, 0x205f,
      0x3000, 0x3000, 0xfeff, 0xfeff,
    ],
    properties: [],
    negated: false,
  },
};

const controls: Readonly<Record<string, number>> = { t: 9, n: 10, v: 11, f: 12, r: 13, 0: 0 };

/** What a backslash may stand before, with `u`: outside of classes, and in them. */
const signs = /[\^$\\.*+?()[\]{}|/]/;
const signsInClass = /[\^$\\.*+?()[\]{}|/-]/;

/** The code points of an escape; `r.at` is after the backslash. */
function readEscaped(r: Reader, at: number, isInClass = false): Characters {
  const c = r.source[r.at] ?? stop(r, at, say(expressionTexts, 'lone-backslash'), '\\\\');
  r.at++;
  const short = shorthands[c.toLowerCase()];
  if (short) return c === c.toLowerCase() ? short : { ...short, negated: true };
  if (c === 'p' || c === 'P') return readProperty(r, at, c === 'P');
  if (c in controls && !(c === '0' && /\d/.test(r.source[r.at] ?? ''))) return point(itemAt(controls, c));
  const hex = /^(?:x([0-9a-f]{2})|u([0-9a-f]{4})|u\{([0-9a-f]{1,6})\})/i.exec(c + r.source.slice(r.at));
  if (hex) {
    r.at += hex[0].length - 1;
    return point(Number.parseInt(hex[1] ?? hex[2] ?? itemAt(hex, 3), 16));
  }
  if (/[1-9k]/.test(c)) stop(r, at, say(expressionTexts, 'backreference'));
  if (c === 'b' || c === 'B') stop(r, at, say(expressionTexts, 'word-boundary'));
  if (/[a-zA-Z0-9]/.test(c)) stop(r, at, say(expressionTexts, 'unknown-escape', { sign: c }), c);
  // `RegExp` with `u` takes no other escapes, and so neither would a JSON Schema made of this.
  if (!(isInClass ? signsInClass : signs).test(c))
    stop(r, at, say(expressionTexts, 'unknown-escape', { sign: c }), c);
  return point(c.charCodeAt(0));
}

const point = (code: number): Characters => ({ ranges: [code, code], properties: [], negated: false });

function readProperty(r: Reader, at: number, negated: boolean): Characters {
  const named = /^\{([\w=]+)\}/.exec(r.source.slice(r.at));
  if (named) r.at += named[0].length;
  try {
    if (!named) throw new SyntaxError();
    new RegExp(`\\p{${named[1]}}`, 'u');
  } catch {
    return stop(r, at, say(expressionTexts, 'unknown-property-class'), '\\p{L}');
  }
  return { ranges: [], properties: [negated ? `^${named[1]}` : itemAt(named, 1)], negated: false };
}

function readEscape(r: Reader, at: number): number {
  const set = readEscaped(r, at);
  return add(r, one(inBothCases(r, set.ranges, set.properties), set.properties, set.negated));
}

function readClass(r: Reader, at: number): number {
  const negated = r.source[r.at] === '^';
  if (negated) r.at++;
  const ranges: number[] = [];
  const properties: string[] = [];
  for (;;) {
    if (r.at >= r.source.length) stop(r, at, say(expressionTexts, 'unclosed-class'));
    if (r.source[r.at] === ']') break;
    const from = readClassMember(r);
    const isRange = r.source[r.at] === '-' && r.source[r.at + 1] !== ']' && r.at + 1 < r.source.length;
    if (isRange) {
      const start = r.at;
      r.at++;
      const to = readClassMember(r);
      if (from.ranges.length !== 2 || to.ranges.length !== 2 || from.negated || to.negated)
        stop(r, start, say(expressionTexts, 'class-range-of-classes'), '\\-');
      if (itemAt(to.ranges, 0) < itemAt(from.ranges, 0))
        stop(r, start, say(expressionTexts, 'class-range-reversed'));
      ranges.push(itemAt(from.ranges, 0), itemAt(to.ranges, 0));
    } else if (from.negated) ranges.push(...complement(inBothCases(r, from.ranges)));
    else {
      ranges.push(...from.ranges);
      properties.push(...from.properties);
    }
  }
  r.at++;
  return add(r, one(inBothCases(r, ranges, properties), properties, negated));
}

function readClassMember(r: Reader): Characters {
  const at = r.at;
  const c = String.fromCodePoint(r.source.codePointAt(at)!);
  r.at += c.length;
  if (c !== '\\') return point(c.codePointAt(0)!);
  if (r.source[r.at] === 'b') {
    r.at++;
    return point(8);
  }
  return readEscaped(r, at, true);
}

/** All code points outside the ranges. */
function complement(ranges: readonly number[]): number[] {
  const pairs: [number, number][] = [];
  for (let i = 0; i < ranges.length; i += 2) pairs.push([itemAt(ranges, i), itemAt(ranges, i + 1)]);
  pairs.sort((a, b) => a[0] - b[0]);
  const rest: number[] = [];
  let next = 0;
  for (const [from, to] of pairs) {
    if (from > next) rest.push(next, from - 1);
    next = Math.max(next, to + 1);
  }
  if (next <= 0x10ffff) rest.push(next, 0x10ffff);
  return rest;
}
