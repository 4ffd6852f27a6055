import type { Automaton, ExpressionNode } from '@arbeit/engine/rules';

/** Length limits of a text, in characters. */
export interface Span {
  readonly least: number;
  readonly most: number;
}

/** The lengths of the texts that a node of an expression matches. */
export function spanOf({ nodes }: Automaton, i: number): Span {
  const known = new Map<number, Span>();
  const of = (at: number): Span => {
    const found = known.get(at) ?? measured(nodes[at] as ExpressionNode, of);
    known.set(at, found);
    return found;
  };
  return of(i);
}

function measured(node: ExpressionNode, of: (at: number) => Span): Span {
  switch (node.op) {
    case 'one':
      return { least: 1, most: 1 };
    case 'sequence': {
      const [a, b] = [of(node.a), of(node.b)];
      return { least: a.least + b.least, most: a.most + b.most };
    }
    case 'either': {
      const [a, b] = [of(node.a), of(node.b)];
      return { least: Math.min(a.least, b.least), most: Math.max(a.most, b.most) };
    }
    case 'counted': {
      const { least, most } = of(node.a);
      // The empty text repeated is the empty text.
      return { least: least * node.min, most: most === 0 ? 0 : most * node.max };
    }
    case 'many':
      return { least: 0, most: of(node.a).most === 0 ? 0 : Number.POSITIVE_INFINITY };
    case 'empty':
      return { least: 0, most: 0 };
    default:
      return { least: 0, most: Number.POSITIVE_INFINITY };
  }
}

/** The nodes of a sequence, in order. */
export function piecesOf({ nodes }: Automaton, i: number): readonly number[] {
  const pieces: number[] = [];
  const open = [i];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    const node = nodes[at];
    if (node?.op === 'sequence') open.push(node.b, node.a);
    else if (node?.op !== 'empty') pieces.push(at);
  }
  return pieces;
}

/**
 * An expression for only those texts that have a length within limits: if one node of it is repeated and all
 * others have one length, the repetition is limited. `undefined` if there is no such simple expression.
 */
export function ofLength(whole: Automaton, { least, most }: Span): Automaton | undefined {
  const span = spanOf(whole, whole.root);
  if (least <= span.least && most >= span.most) return whole;
  const pieces = piecesOf(whole, whole.root);
  const varying = pieces.filter((i) => {
    const own = spanOf(whole, i);
    return own.least !== own.most;
  });
  const [only] = varying;
  if (only === undefined || varying.length > 1) return undefined;
  const piece = repeatedIn(whole, only);
  if (piece === undefined) return undefined;
  const { least: size, most: widest } = spanOf(whole, piece);
  if (size !== widest || size === 0) return undefined;
  const own = spanOf(whole, only);
  const rest = span.least - own.least;
  const min = Math.max(own.least / size, Math.ceil((least - rest) / size));
  const max = Math.min(own.most / size, Math.floor((most - rest) / size));
  if (min > max || !Number.isFinite(max)) return undefined;
  const nodes: ExpressionNode[] = [...whole.nodes];
  const add = (one: ExpressionNode): number => nodes.push(one) - 1;
  const inPlace = add({ op: 'counted', a: piece, min, max });
  const root = pieces
    .map((i) => (i === only ? inPlace : i))
    .reduceRight((b, a) => add({ op: 'sequence', a, b }), add({ op: 'empty' }));
  return { nodes, root };
}

/** The node that a node repeats, if it does nothing else. */
function repeatedIn({ nodes }: Automaton, i: number): number | undefined {
  const node = nodes[i];
  if (node?.op === 'many' || node?.op === 'counted') return node.a;
  if (node?.op !== 'either') return undefined;
  // `x?` is `x` or the empty text.
  if (nodes[node.b]?.op === 'empty') return node.a;
  return nodes[node.a]?.op === 'empty' ? node.b : undefined;
}
