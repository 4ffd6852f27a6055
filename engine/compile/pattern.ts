import type { CharacterSet, FixedText, Part, PatternPlan, Segment, Stretch } from '../run/plan.ts';
import { type Node, rangesOf, type Takes } from './notation.ts';

/** Entry options of kind `pattern`, defaults filled in. */
export interface PatternEntry {
  readonly positions: 'flow' | 'fixed';
  readonly literals: 'behind' | 'ahead';
  readonly filler: string;
  readonly raw: 'content' | 'text';
  readonly ghost: boolean;
}

export const defaultEntry: PatternEntry = {
  positions: 'flow',
  literals: 'behind',
  filler: '_',
  raw: 'content',
  ghost: false,
};

/** Lays a parsed notation out as cells, parts, stretches and the fixed text between. `nodes` must be free of faults. */
export function planPattern(
  nodes: readonly Node[],
  entry: PatternEntry,
  classes: Readonly<Record<string, string>>,
): PatternPlan {
  const parts: Part[] = [];
  const stretches: { first: number; end: number }[] = [];
  const cells: number[] = [];
  const before: Segment[][] = [[]];

  const walk = (list: readonly Node[], stretch: number): void => {
    for (const node of list) {
      if (node.type === 'text') {
        before[cells.length]!.push({ text: node.text, stretch });
      } else if (node.type === 'stretch') {
        const index = stretches.push({ first: cells.length, end: 0 }) - 1;
        walk(node.nodes, index);
        stretches[index]!.end = cells.length;
      } else {
        const part = planPart(node, cells.length, stretch, classes);
        for (let i = 0; i < part.size; i++) {
          cells.push(parts.length);
          before.push([]);
        }
        parts.push(part);
      }
    }
  };
  walk(nodes, -1);
  return {
    kind: 'pattern',
    positions: entry.positions,
    literals: entry.literals,
    filler: entry.filler,
    raw: entry.raw,
    ghost: entry.ghost,
    parts,
    stretches: stretches as Stretch[],
    cells,
    before: before.map(fixedText),
  };
}

const fixedText = (segments: readonly Segment[]): FixedText =>
  segments.every((segment) => segment.stretch < 0)
    ? segments.map((segment) => segment.text).join('')
    : segments;

function planPart(
  node: Exclude<Node, { type: 'text' | 'stretch' }>,
  first: number,
  stretch: number,
  classes: Readonly<Record<string, string>>,
): Part {
  switch (node.type) {
    case 'number': {
      const size = node.low.length;
      return { takes: 'number', first, size, min: size, stretch, low: node.low, high: node.high };
    }
    case 'words': {
      const lengths = node.words.map((word) => [...word].length);
      return {
        takes: 'words',
        first,
        size: Math.max(...lengths),
        min: Math.min(...lengths),
        stretch,
        words: node.words,
      };
    }
    case 'cells': {
      const part: Part = {
        takes: 'set',
        first,
        size: node.max,
        min: node.min,
        stretch,
        set: setOf(node.takes, classes),
      };
      return node.manner ? { ...part, manner: node.manner } : part;
    }
  }
}

function setOf(takes: Takes, classes: Readonly<Record<string, string>>): CharacterSet {
  if (takes.type === 'built-in') return takes.name;
  const characters = takes.type === 'class' ? classes[takes.name]! : takes.characters;
  const ranges = rangesOf(characters);
  if (typeof ranges === 'string') throw new RangeError(ranges);
  return ranges;
}
