import { itemAt } from '../values/item-at.ts';
import type { Automaton, ExpressionNode } from './automaton-data.ts';
import type { Verdict } from './finding.ts';

/**
 * Whole-value matching by derivatives (Brzozowski 1964): after each code point, the expression that the rest
 * would have to match is computed once and kept. There is no backtracking, so no expression can hang a page,
 * and the remaining expression tells `open` from `fail`: could further text still match?
 */
interface Machine {
  readonly nodes: ExpressionNode[];
  readonly index: Map<string, number>;
  /** The next node by node and code point: `node * 0x110000 + code`. */
  readonly steps: Map<number, number>;
  readonly hopeful: Map<number, boolean>;
  readonly samples: readonly number[];
  readonly exact: boolean;
}

/**
 * Most expressions that a rule may create in its lifetime. After that, known answers are still given and the
 * rest is `open`, which bounds the work that an expression can cause. Common expressions need a few dozen.
 */
const roomForNodes = 4_000;
/** Number of code points in Unicode. */
const codePoints = 0x110000;
const machines = new WeakMap<Automaton, Machine>();

/**
 * Returns whether `text` matches as a whole (`pass`), could match with more text (`open`), or never (`fail`).
 */
export function match(automaton: Automaton, text: string): Verdict {
  let machine = machines.get(automaton);
  if (!machine) {
    machine = machineFor(automaton);
    machines.set(automaton, machine);
  }
  let node = automaton.root;
  for (const character of text) {
    const next = derive(machine, node, character.codePointAt(0)!);
    if (next === undefined) return 'open';
    node = next;
    if (itemAt(machine.nodes, node).op === 'nothing') return 'fail';
  }
  return nullable(machine, node) ? 'pass' : canMatch(machine, node) ? 'open' : 'fail';
}

/** An expression as an automaton whose states can be visited, to compare two languages. */
export interface Walker {
  readonly start: number;
  /** The next state after a code point; `undefined` if there is no room for new states. */
  step(state: number, code: number): number | undefined;
  /** Whether the text read so far matches as a whole. */
  matches(state: number): boolean;
}

/**
 * A walker that matches an expression state by state, character by character.
 *
 * @example
 * const parsed = parseExpression('[0-9]+');
 * const walker = 'message' in parsed ? undefined : walkerOf(parsed);
 */
export function walkerOf(automaton: Automaton): Walker {
  const machine = machineFor(automaton);
  return {
    start: automaton.root,
    step: (state, code) => derive(machine, state, code),
    matches: (state) => nullable(machine, state),
  };
}

function machineFor(automaton: Automaton): Machine {
  const nodes = [...automaton.nodes];
  const index = new Map(nodes.map((node, i) => [JSON.stringify(node), i]));
  const samples = new Set<number>();
  let exact = true;
  for (const node of nodes) {
    if (node.op !== 'one') continue;
    if (node.properties?.length) exact = false;
    for (const edge of node.ranges) for (const c of [edge - 1, edge, edge + 1]) if (c >= 0) samples.add(c);
  }
  for (const c of 'aZ7 -_é漢я٣€😀') samples.add(c.codePointAt(0)!);
  return { nodes, index, steps: new Map(), hopeful: new Map(), samples: [...samples].slice(0, 400), exact };
}

function add(machine: Machine, node: ExpressionNode): number {
  const key = JSON.stringify(node);
  let at = machine.index.get(key);
  if (at === undefined) {
    at = machine.nodes.push(node) - 1;
    machine.index.set(key, at);
  }
  return at;
}

const opOf = (machine: Machine, node: number) => itemAt(machine.nodes, node).op;

function sequence(m: Machine, a: number, b: number): number {
  if (opOf(m, a) === 'nothing' || opOf(m, b) === 'empty') return a;
  if (opOf(m, b) === 'nothing' || opOf(m, a) === 'empty') return b;
  return add(m, { op: 'sequence', a, b });
}

/** Joins alternatives, sorted and without duplicates, so that equal expressions are the same node. */
function join(m: Machine, op: 'either' | 'both', a: number, b: number): number {
  const members = new Set<number>();
  const gather = (i: number): void => {
    const node = itemAt(m.nodes, i);
    if (node.op === op) {
      gather(node.a);
      gather(node.b);
    } else members.add(i);
  };
  gather(a);
  gather(b);
  const idle = op === 'either' ? 'nothing' : 'everything';
  const kept = [...members].filter((i) => kindOfNode(m, i) !== idle);
  const decisive = op === 'either' ? 'everything' : 'nothing';
  const winner = kept.find((i) => kindOfNode(m, i) === decisive);
  if (winner !== undefined) return winner;
  kept.sort((x, y) => x - y);
  const first = kept.pop();
  if (first === undefined) return op === 'either' ? add(m, { op: 'nothing' }) : everything(m);
  return kept.reduceRight((rest, i) => add(m, { op, a: i, b: rest }), first);
}

const everything = (m: Machine): number => add(m, { op: 'not', a: add(m, { op: 'nothing' }) });

function kindOfNode(m: Machine, i: number): 'nothing' | 'everything' | 'other' {
  const node = itemAt(m.nodes, i);
  if (node.op === 'nothing') return 'nothing';
  return node.op === 'not' && opOf(m, node.a) === 'nothing' ? 'everything' : 'other';
}

function negate(m: Machine, a: number): number {
  const node = itemAt(m.nodes, a);
  return node.op === 'not' ? node.a : add(m, { op: 'not', a });
}

function nullable(m: Machine, i: number): boolean {
  const node = itemAt(m.nodes, i);
  switch (node.op) {
    case 'empty':
    case 'many':
      return true;
    case 'nothing':
    case 'one':
      return false;
    case 'not':
      return !nullable(m, node.a);
    case 'counted':
      return node.min === 0 || nullable(m, node.a);
    case 'either':
      return nullable(m, node.a) || nullable(m, node.b);
    case 'sequence':
    case 'both':
      return nullable(m, node.a) && nullable(m, node.b);
  }
}

/** The expression for what may follow `code`; `undefined` if there is no room for new ones. */
function derive(m: Machine, i: number, code: number): number | undefined {
  const known = m.steps.get(i * codePoints + code);
  if (known !== undefined) return known;
  return m.nodes.length > roomForNodes || m.steps.size > 10 * roomForNodes ? undefined : inner(m, i, code);
}

function step(m: Machine, i: number, code: number): number {
  const node = itemAt(m.nodes, i);
  switch (node.op) {
    case 'nothing':
    case 'empty':
      return add(m, { op: 'nothing' });
    case 'one':
      return add(m, { op: takesPoint(node, code) ? 'empty' : 'nothing' });
    case 'not':
      return negate(m, inner(m, node.a, code));
    case 'many':
      return sequence(m, inner(m, node.a, code), i);
    case 'counted': {
      const { a, min, max } = node;
      if (max === 0) return add(m, { op: 'nothing' });
      const left =
        max === 1
          ? add(m, { op: 'empty' })
          : add(m, { op: 'counted', a, min: Math.max(0, min - 1), max: max - 1 });
      return sequence(m, inner(m, a, code), left);
    }
    case 'either':
    case 'both':
      return join(m, node.op, inner(m, node.a, code), inner(m, node.b, code));
    case 'sequence': {
      const first = sequence(m, inner(m, node.a, code), node.b);
      return nullable(m, node.a) ? join(m, 'either', first, inner(m, node.b, code)) : first;
    }
  }
}

/** A derivative within a derivative. It is always computed: a step once begun is finished. */
function inner(m: Machine, i: number, code: number): number {
  const key = i * codePoints + code;
  let next = m.steps.get(key);
  if (next === undefined) {
    next = step(m, i, code);
    m.steps.set(key, next);
  }
  return next;
}

const tests = new Map<string, RegExp>();

/** Whether a node that stands for one character accepts a code point. */
export function takesPoint(node: ExpressionNode & { op: 'one' }, code: number): boolean {
  let inside = false;
  for (let i = 0; i < node.ranges.length && !inside; i += 2)
    inside = code >= itemAt(node.ranges, i) && code <= itemAt(node.ranges, i + 1);
  for (const property of node.properties ?? []) {
    if (inside) break;
    let test = tests.get(property);
    if (!test) {
      test = new RegExp(property.startsWith('^') ? `\\P{${property.slice(1)}}` : `\\p{${property}}`, 'u');
      tests.set(property, test);
    }
    inside = test.test(String.fromCodePoint(code));
  }
  return inside !== (node.negated ?? false);
}

/**
 * Whether any text matches. Without intersections and complements every expression but `nothing` has one,
 * because the constructors above drop dead branches. With them a bounded search decides, and the answer is
 * `true` (so `open`) if it runs out.
 */
function canMatch(m: Machine, root: number): boolean {
  const known = m.hopeful.get(root);
  if (known !== undefined) return known;
  const seen = new Set([root]);
  const queue = [root];
  let decided = !m.exact || isPlain(m, root);
  while (!decided && queue.length) {
    // The newest first, so that reachable ends are found quickly.
    const node = queue.pop()!;
    decided = nullable(m, node) || isPlain(m, node) || seen.size > 150;
    for (const code of decided ? [] : m.samples) {
      const next = derive(m, node, code);
      if (next === undefined) return true;
      if (opOf(m, next) === 'nothing' || seen.has(next)) continue;
      seen.add(next);
      queue.push(next);
    }
  }
  m.hopeful.set(root, decided);
  return decided;
}

function isPlain(m: Machine, i: number): boolean {
  const node = itemAt(m.nodes, i);
  switch (node.op) {
    case 'nothing':
    case 'both':
    case 'not':
      return false;
    case 'empty':
    case 'one':
      return true;
    case 'many':
    case 'counted':
      return isPlain(m, node.a);
    case 'either':
    case 'sequence':
      return isPlain(m, node.a) && isPlain(m, node.b);
  }
}
