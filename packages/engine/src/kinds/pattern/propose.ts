import { graphemes } from '../../values/graphemes.ts';
import { itemAt } from '../../values/item-at.ts';
import { type Matter, type Node, printNotation } from '../editing/notation.ts';

/** A pattern made from examples of its finished text. */
export interface Proposal {
  readonly pattern: string;
  /** Texts that were taken as fixed although they could be typed, such as `RH`. Empty if there are none. */
  readonly fixed: readonly string[];
}

/**
 * The result for some examples: patterns to choose from, the likeliest first, or the first example whose
 * shape differs from the others.
 */
export type Proposed =
  | { readonly ok: true; readonly proposals: readonly Proposal[] }
  | { readonly ok: false; readonly odd: string };

type Sort = 'digit' | 'letter' | 'word' | 'text';

/** A run of an example whose characters are of one class. */
interface Run {
  readonly sort: Sort;
  readonly text: string;
}

const digit = /^[0-9]$/;
const letter = /^\p{L}\p{M}*$/u;

/**
 * The runs of a text: letters, digits and the text between them. With `words`, adjacent letters and digits
 * stay together.
 */
function runsOf(text: string, as: 'runs' | 'words'): readonly Run[] {
  const runs: Run[] = [];
  for (const c of graphemes(text)) {
    const own: Sort = digit.test(c) ? 'digit' : letter.test(c) ? 'letter' : 'text';
    const sort = as === 'words' && own !== 'text' ? 'word' : own;
    const last = runs.at(-1);
    if (last?.sort === sort) runs.splice(-1, 1, { sort, text: last.text + c });
    else runs.push({ sort, text: c });
  }
  return runs;
}

/**
 * Whether one list of runs starts with the other: the same classes in the same order, with the same text
 * between.
 */
function isOneShape(a: readonly Run[], b: readonly Run[]): boolean {
  const shared = Math.min(a.length, b.length);
  for (let i = 0; i < shared; i++) {
    const [x, y] = [itemAt(a, i), itemAt(b, i)];
    if (x.sort !== y.sort || (x.sort === 'text' && x.text !== y.text)) return false;
  }
  return true;
}

/** The cells that accept what is at one place in every example. */
function cellsFor(texts: readonly string[], sort: Sort): Matter {
  const counts = texts.map((text) => graphemes(text).length);
  const [min, max] = [Math.min(...counts), Math.max(...counts)];
  if (sort === 'digit') return { type: 'cells', min, max, takes: { type: 'built-in', name: 'digit' } };
  const all = texts.join('');
  const isLatin = /^[A-Za-z0-9]*$/.test(all);
  const name = sort === 'word' ? 'alnum' : isLatin ? 'latin' : 'letter';
  const letters = all.replace(/[^\p{L}]/gu, '');
  const isCased = letters.toUpperCase() !== letters.toLowerCase();
  const manner = !isCased
    ? undefined
    : letters === letters.toUpperCase()
      ? 'upper'
      : letters === letters.toLowerCase()
        ? 'lower'
        : undefined;
  return { type: 'cells', min, max, takes: { type: 'built-in', name }, ...(manner ? { manner } : {}) };
}

/** Classes of runs that are fixed if they are the same in every example. */
type FixedSorts = readonly Sort[];

/**
 * The parts for one word of the examples. Letters and digits become separate parts if all examples have them
 * in the same order.
 */
function partsOf(
  words: readonly string[],
  isSure: (texts: readonly string[], sort: Sort) => boolean,
): readonly Matter[] {
  const runs = words.map((word) => runsOf(word, 'runs'));
  const [first = []] = runs;
  const isOrdered = runs.every((one) => one.length === first.length && isOneShape(one, first));
  if (!isOrdered) return [cellsFor(words, 'word')];
  return first.map(({ sort }, i): Matter => {
    const texts = runs.map((one) => itemAt(one, i).text);
    return isSure(texts, sort) ? { type: 'text', text: itemAt(texts, 0) } : cellsFor(texts, sort);
  });
}

/** The pattern of the examples; `undefined` if the end of some has nothing that could be typed. */
function patternOf(examples: readonly (readonly Run[])[], fixedSorts: FixedSorts): Proposal | undefined {
  const longest = examples.reduce((a, b) => (b.length > a.length ? b : a));
  const fixed: string[] = [];
  // Several examples show what is the same in all of them; one alone shows nothing.
  const isSure = (texts: readonly string[], sort: Sort): boolean => {
    const isFixed = examples.length > 1 && new Set(texts).size === 1 && fixedSorts.includes(sort);
    if (isFixed) fixed.push(itemAt(texts, 0));
    return isFixed;
  };
  const partsAt = (i: number, sure: typeof isSure): readonly Matter[] => {
    const run = itemAt(longest, i);
    if (run.sort === 'text') return [{ type: 'text', text: run.text }];
    return partsOf(
      examples.flatMap((runs) => runs[i]?.text ?? []),
      sure,
    );
  };
  const lengths = [...new Set(examples.map((runs) => runs.length))].sort((one, other) => one - other);
  const places = longest.map((_, i) => i);
  const always = places.slice(0, lengths[0]).flatMap((i) => partsAt(i, isSure));
  // What only some examples have at their end becomes an optional stretch, in which what fewer have is
  // another one. Something must be typed into each, or it would never be there.
  const stretches = lengths.slice(1).map((to, level) => {
    const own = places.slice(lengths[level], to);
    const ways = [isSure, () => false].map((sure) => own.flatMap((i) => partsAt(i, sure)));
    return ways.find((way) => way.some(({ type }) => type === 'cells'));
  });
  if (!stretches.every((one) => one !== undefined)) return undefined;
  const optional = stretches.reduceRight<readonly Matter[]>(
    (inner, parts) => [{ type: 'stretch', nodes: parts.concat(inner).map(placed) }],
    [],
  );
  return { pattern: printNotation([...always, ...optional]), fixed };
}

/** A node without a position: reading the printed pattern gives it one. */
const placed = (matter: Matter): Node => ({ ...matter, at: 0, end: 0 });

const hasCells = ({ pattern }: Proposal): boolean => /(?:^|[^<])<(?!<)/.test(pattern);

/**
 * Patterns that these examples of a finished text could have. Digits become cells. Letters become cells
 * unless they are the same in several examples: `RH-5550-EF3` with `RH-0042-AB7` is `RH-<4 digit>-<2 latin
 * upper><digit>`.
 *
 * @example
 * const proposed = propose(['RH-5550', 'RH-0042']);
 */
export function propose(given: readonly string[]): Proposed {
  const examples = [...new Set(given.map((text) => text.normalize('NFC').trim()).filter(Boolean))];
  const [first] = examples;
  if (first === undefined) return { ok: true, proposals: [] };
  const runs = examples.map((example) => runsOf(example, 'words'));
  const longest = runs.reduce((a, b) => (b.length > a.length ? b : a));
  const odd = examples.findIndex((_, i) => !isOneShape(longest, itemAt(runs, i)));
  const ways: readonly FixedSorts[] = [['letter'], [], ['letter', 'digit']];
  const made = odd < 0 ? ways.flatMap((sorts) => patternOf(runs, sorts) ?? []).filter(hasCells) : [];
  const proposals = made.filter((one, i) => made.findIndex(({ pattern }) => pattern === one.pattern) === i);
  if (proposals.length) return { ok: true, proposals };
  const [shape = []] = runs;
  const other = examples.find((_, i) => !isOneShape(shape, itemAt(runs, i)));
  return { ok: false, odd: other ?? first };
}
