import { type Fault, fault, nearest } from '../../faults/fault.ts';
import { misuse, type Said, say } from '../../faults/say.ts';
import { patternTexts } from '../../faults/texts.ts';
import type { CharacterSet } from '../../values/characters.ts';
import { graphemes } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';

/** A part of a pattern; `at` and `end` are UTF-16 offsets in its text. */
export type Node = { readonly at: number; readonly end: number } & Matter;

/** What a part says, without its place. */
export type Matter =
  | { readonly type: 'text'; readonly text: string }
  | {
      readonly type: 'cells';
      readonly min: number;
      readonly max: number;
      readonly takes: Takes;
      readonly manner?: 'upper' | 'lower';
    }
  | { readonly type: 'number'; readonly low: string; readonly high: string }
  | { readonly type: 'words'; readonly words: readonly string[] }
  | { readonly type: 'stretch'; readonly nodes: readonly Node[] };

/** The characters that a cell accepts. */
export type Takes =
  | { readonly type: 'built-in'; readonly name: BuiltIn }
  | { readonly type: 'class'; readonly name: string }
  | { readonly type: 'characters'; readonly characters: string };

/**
 * The names of character classes that every pattern knows.
 *
 * @example
 * builtIns.includes('digit'); // true
 */
export const builtIns = ['digit', 'letter', 'latin', 'alnum', 'any'] as const;
/** A class of characters that every pattern knows. */
export type BuiltIn = (typeof builtIns)[number];
const manners = ['upper', 'lower'] as const;

/** Largest number of cells. It keeps a slip of the keyboard from hanging a page. */
export const mostCells = 2000;

const deepest = 20;

/** Largest number of mistakes reported for one pattern. */
const mostMistakes = 20;

/** A parsed pattern: its nodes and faults. */
export interface Notation {
  readonly nodes: readonly Node[];
  readonly faults: readonly Fault[];
}

/**
 * Parses the pattern notation (`docs/contract/patterns.md`). `classes` are the names of the set's own
 * classes. Returns the parts and one fault per mistake, with its column and a suggestion.
 *
 * @example
 * const { nodes, faults } = parseNotation('RH-<4 digit>');
 */
export function parseNotation(text: string, classes: readonly string[] = []): Notation {
  const faults: Fault[] = [];
  const reader: Reader = { text, at: 0, depth: 0, faults, classes };
  const nodes = readNodes(reader, -1);
  const cells = countCells(nodes);
  if (faults.length === 0 && cells === 0)
    faults.push(fault(text, 0, text.length, say(patternTexts, 'no-cell'), '<4 digit>'));
  if (cells > mostCells)
    faults.push(
      fault(text, 0, text.length, say(patternTexts, 'too-many-cells', { count: cells, most: mostCells })),
    );
  return { nodes, faults };
}

interface Reader {
  readonly text: string;
  at: number;
  depth: number;
  readonly faults: Fault[];
  readonly classes: readonly string[];
}

/** Reads text and cells to the end, or in a stretch that began at `opened`, to its closing bracket. */
function readNodes(r: Reader, opened: number): Node[] {
  const nodes: Node[] = [];
  let fixed = '';
  let fixedAt = r.at;
  const flush = (): void => {
    if (fixed) nodes.push({ type: 'text', text: fixed, at: fixedAt, end: r.at });
    fixed = '';
  };
  while (r.at < r.text.length) {
    if (r.faults.length >= mostMistakes) {
      r.at = r.text.length;
      return nodes;
    }
    const c = itemAt(r.text, r.at);
    if (c === '>' && opened >= 0) {
      flush();
      r.at++;
      return nodes;
    }
    if (c !== '<' || r.text[r.at + 1] === '<') {
      if (!fixed) fixedAt = r.at;
      fixed += c;
      r.at += c === '<' ? 2 : 1;
      continue;
    }
    flush();
    const node = r.text[r.at + 1] === '?' ? readStretch(r) : readCell(r);
    if (node) nodes.push(node);
  }
  flush();
  if (opened >= 0)
    r.faults.push(
      fault(r.text, opened, r.text.length, say(patternTexts, 'unclosed-group'), `${r.text.slice(opened)}>`),
    );
  return nodes;
}

function readStretch(r: Reader): Node | undefined {
  const at = r.at;
  const before = r.faults.length;
  r.at += 2;
  if (r.depth >= deepest) {
    r.at = r.text.length;
    r.faults.push(fault(r.text, at, at + 2, say(patternTexts, 'groups-too-deep', { most: deepest })));
    return undefined;
  }
  r.depth++;
  const nodes = readNodes(r, at);
  r.depth--;
  if (countCells(nodes) === 0 && r.faults.length === before) {
    r.faults.push(fault(r.text, at, r.at, say(patternTexts, 'group-without-cell'), '<? ext. <1-5 digit>>'));
    return undefined;
  }
  return { type: 'stretch', nodes, at, end: r.at };
}

function readCell(r: Reader): Node | undefined {
  const at = r.at;
  const quoted = /^<[^<>"]*"[^"]*"[^<>"]*>/.exec(r.text.slice(at));
  const end = quoted ? at + quoted[0].length : r.text.indexOf('>', at) + 1;
  const nextOpen = quoted ? -1 : r.text.indexOf('<', at + 1);
  if (end === 0 || (nextOpen >= 0 && nextOpen < end - 1)) {
    const stop = nextOpen >= 0 && (end === 0 || nextOpen < end) ? nextOpen : r.text.length;
    r.at = stop;
    const written = r.text.slice(at, stop);
    r.faults.push(fault(r.text, at, stop, say(patternTexts, 'unclosed-cell'), `${written.trimEnd()}>`));
    return undefined;
  }
  r.at = end;
  const inside = r.text.slice(at + 1, end - 1);
  const matter = readInside(r, inside, at + 1);
  return matter && { ...matter, at, end };
}

/** Reads what is between brackets: a bounded number, a choice of words, or cells. */
function readInside(r: Reader, inside: string, at: number): Matter | undefined {
  const complain = (from: number, length: number, said: Said, suggestion?: string): undefined => {
    r.faults.push(fault(r.text, at + from, at + from + Math.max(1, length), said, suggestion));
  };
  if (!inside.trim()) return complain(-1, inside.length + 2, say(patternTexts, 'empty-cell'), '<digit>');
  if (!inside.includes('"')) {
    if (inside.includes('..')) return readNumber(inside, complain);
    if (inside.includes('|')) return readWords(inside, complain);
  }
  return readTakes(r, inside, complain);
}

type Complain = (from: number, length: number, said: Said, suggestion?: string) => undefined;

function readNumber(inside: string, complain: Complain): Matter | undefined {
  const [low = '', high = '', ...more] = inside.split('..');
  for (const [bound, from] of [
    [low, 0],
    [high, low.length + 2],
  ] as const)
    if (!/^\d+$/.test(bound))
      return complain(from, bound.length, say(patternTexts, 'number-without-digits'), '00..59');
  if (more.length > 0)
    return complain(
      low.length + 2 + high.length,
      2,
      say(patternTexts, 'number-with-more-bounds'),
      `${low}..${high}`,
    );
  if (low.length !== high.length) {
    const width = Math.max(low.length, high.length);
    const padded = `${low.padStart(width, '0')}..${high.padStart(width, '0')}`;
    return complain(0, inside.length, say(patternTexts, 'number-of-two-widths'), padded);
  }
  if (low > high) return complain(0, inside.length, say(patternTexts, 'number-reversed'), `${high}..${low}`);
  return { type: 'number', low, high };
}

function readWords(inside: string, complain: Complain): Matter | undefined {
  const words = inside.split('|');
  const seen = new Set<string>();
  let from = 0;
  for (const [i, word] of words.entries()) {
    if (!word)
      return complain(
        from - (i > 0 ? 1 : 0),
        1,
        say(patternTexts, 'choice-without-word'),
        words.filter(Boolean).join('|'),
      );
    if (/\s/.test(word))
      return complain(
        from,
        word.length,
        say(patternTexts, 'choice-with-space'),
        word.trim().replace(/\s+/g, '-'),
      );
    if (seen.has(word.toLowerCase()))
      return complain(from, word.length, say(patternTexts, 'choice-twice', { word }));
    seen.add(word.toLowerCase());
    from += word.length + 1;
  }
  return { type: 'words', words };
}

function readTakes(r: Reader, inside: string, complain: Complain): Matter | undefined {
  const lead = inside.length - inside.trimStart().length;
  const trimmed = inside.trim();
  const counted = /^(\d+)(?:-(\d+))?(?: +|$)/.exec(trimmed);
  const rest = trimmed.slice(counted?.[0].length ?? 0);
  const restAt = lead + (counted?.[0].length ?? 0);
  if (!rest) {
    const count = trimmed;
    return complain(restAt, 1, say(patternTexts, 'count-without-class'), `${count} digit`);
  }
  const what = /^(?:"[^"]*"|\S+)/.exec(rest)?.[0] ?? rest;
  const after = rest.slice(what.length).trim().split(/ +/).filter(Boolean);

  const min = counted ? +itemAt(counted, 1) : 1;
  const max = counted?.[2] === undefined ? min : +counted[2];
  if (max === 0) return complain(lead, counted![0].length, say(patternTexts, 'count-zero'), '1');
  if (max < min)
    return complain(lead, counted![0].trimEnd().length, say(patternTexts, 'count-reversed'), `${max}-${min}`);

  const takes = readWhat(r, what, restAt, complain);
  if (!takes) return undefined;
  let manner: 'upper' | 'lower' | undefined;
  for (const word of after) {
    const from = inside.lastIndexOf(word);
    const known = manners.find((m) => m === word);
    if (!known) {
      const meant = nearest(word, manners);
      return complain(from, word.length, say(patternTexts, 'unknown-modifier', { word }), meant ?? 'upper');
    }
    if (manner) return complain(from, word.length, say(patternTexts, 'two-modifiers'), manner);
    manner = known;
  }
  return manner ? { type: 'cells', min, max, takes, manner } : { type: 'cells', min, max, takes };
}

/** Largest number of known classes named in a fault. */
const mostNamed = 20;

function readWhat(r: Reader, what: string, at: number, complain: Complain): Takes | undefined {
  if (what.startsWith('"')) {
    if (!/^"[^"]*"$/.test(what))
      return complain(at, what.length, say(patternTexts, 'unclosed-quote'), `${what}"`);
    const characters = what.slice(1, -1);
    const wrong = rangesOf(characters);
    if ('message' in wrong) return complain(at, what.length, wrong);
    return { type: 'characters', characters };
  }
  const builtIn = builtIns.find((name) => name === what);
  if (builtIn) return { type: 'built-in', name: builtIn };
  if (r.classes.includes(what)) return { type: 'class', name: what };
  const known = [...builtIns, ...r.classes];
  const some = known.length > mostNamed ? [...known.slice(0, mostNamed), '…'] : known;
  const counted = /^\d/.test(what);
  const meant = nearest(what.replace(/^[\d-]+/, ''), known);
  const said = say(patternTexts, counted ? 'unknown-count' : 'unknown-class', {
    text: what,
    known: some.join(', '),
  });
  const count = /^\d+(?:-\d+)?/.exec(what)?.[0];
  return complain(at, what.length, said, meant && count ? `${count} ${meant}` : meant);
}

/**
 * Characters and ranges such as `a-z` as pairs of code points, or what is wrong. A `-`
 * at either end stands for itself.
 *
 * @example
 * rangesOf('0-9'); // [48, 57]
 */
export function rangesOf(characters: string): readonly number[] | Said {
  const points = [...characters];
  if (points.length === 0) return say(patternTexts, 'class-empty');
  const odd = graphemes(characters).find((c) => [...c].length > 1);
  if (odd) return say(patternTexts, 'class-of-clusters', { text: odd });
  const ranges: number[] = [];
  for (let i = 0; i < points.length; i++) {
    const from = itemAt(points, i).codePointAt(0)!;
    if (points[i + 1] === '-' && i + 2 < points.length) {
      const to = itemAt(points, i + 2).codePointAt(0)!;
      if (to < from)
        return say(patternTexts, 'class-range-reversed', {
          from: itemAt(points, i),
          to: itemAt(points, i + 2),
        });
      ranges.push(from, to);
      i += 2;
    } else ranges.push(from, from);
  }
  return ranges;
}

function countCells(nodes: readonly Node[]): number {
  let count = 0;
  for (const node of nodes) {
    if (node.type === 'cells') count += node.max;
    else if (node.type === 'number') count += node.low.length;
    else if (node.type === 'words') count += Math.max(...node.words.map((word) => [...word].length));
    else if (node.type === 'stretch') count += countCells(node.nodes);
  }
  return count;
}

/**
 * The notation of parts as it would be written by hand. `parseNotation` returns the same parts for it.
 *
 * @example
 * printNotation(parseNotation('RH-<4 digit>').nodes); // 'RH-<4 digit>'
 */
export function printNotation(nodes: readonly Matter[]): string {
  return nodes.map(printNode).join('');
}

function printNode(node: Matter): string {
  switch (node.type) {
    case 'text':
      return node.text.replaceAll('<', '<<');
    case 'number':
      return `<${node.low}..${node.high}>`;
    case 'words':
      return `<${node.words.join('|')}>`;
    case 'stretch':
      return `<?${printNotation(node.nodes)}>`;
    case 'cells': {
      const { min, max, takes, manner } = node;
      const count = min === max ? (min === 1 ? [] : [min]) : [`${min}-${max}`];
      const what = takes.type === 'characters' ? `"${takes.characters}"` : takes.name;
      return `<${[...count, what, ...(manner ? [manner] : [])].join(' ')}>`;
    }
  }
}

/**
 * The characters a cell takes. `classes` are the set's own by name. Throws `RangeError` for an unknown class.
 */
export function setOf(takes: Takes, classes: Readonly<Record<string, string>>): CharacterSet {
  if (takes.type === 'built-in') return takes.name;
  const characters = takes.type === 'class' ? itemAt(classes, takes.name) : takes.characters;
  const ranges = rangesOf(characters);
  if ('message' in ranges) throw misuse(ranges);
  return ranges;
}
