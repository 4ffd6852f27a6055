import { itemAt } from '../values/item-at.ts';
import type { Automaton, ExpressionNode } from './automaton-data.ts';
import type { Verdict } from './finding.ts';

/**
 * Matches whole values without backtracking, so an expression cannot hang a page. Also decides whether more
 * text could still match (`open` or `fail`). An expression becomes a nondeterministic automaton (Thompson
 * 1968). The matcher follows all its states at once and caches each set of states (subset construction).
 * Look-aheads become intersections and complements of these sets, matched by derivatives (Brzozowski 1964).
 */
interface Machine {
  readonly states: State[];
  /** All terms: unions by a hash, the others by a key. */
  readonly unions: Map<number, readonly Union[]>;
  readonly others: Map<string, Term>;
  /** All nodes for one character. Code points that all of them treat the same form one class. */
  readonly ones: readonly One[];
  readonly classes: Map<string, number>;
  readonly classOf: Map<number, number>;
  /** One code point of each known class, computed at first use. */
  samples: readonly number[] | undefined;
  /** Whether `samples` contains every class. */
  readonly isExact: boolean;
  /** Number of states visited. */
  work: number;
  /** By state: the round in which it was last visited. */
  seen: Int32Array;
  round: number;
  /** Number of states in all terms together. */
  held: number;
  /** Number of terms created. */
  made: number;
  /** The last long text, and the term after each stretch of it. */
  last: { readonly characters: readonly string[]; readonly terms: readonly Term[] };
  root: Term;
}

type One = ExpressionNode & { op: 'one' };

/** A state of the automaton. */
type State =
  | { readonly type: 'end' }
  | { readonly type: 'one'; readonly one: One; readonly next: number }
  | { readonly type: 'split'; a: number; readonly b: number }
  /** The rest of the text must match an intersection or a complement. */
  | { readonly type: 'rest'; readonly term: Term };

/** What the rest of the text must match. */
type Term = Union | Both | Not;

interface Found {
  readonly id: number;
  readonly isNullable: boolean;
  /** The term after a character, by its class. */
  readonly next: Map<number, Term>;
  /** Whether any text matches, computed at first use. */
  canMatch?: boolean;
}

interface Union extends Found {
  readonly op: 'union';
  /** States that accept a character, and the end state, in ascending order. */
  readonly states: readonly number[];
  /** Intersections and complements. The rest may match any of them instead. */
  readonly rests: readonly Term[];
}

interface Both extends Found {
  readonly op: 'both';
  readonly a: Term;
  readonly b: Term;
}

interface Not extends Found {
  readonly op: 'not';
  readonly a: Term;
}

/**
 * Maximum number of states in all cached terms. Beyond it the cache is emptied. Common expressions need a few
 * dozen.
 */
const mostHeld = 100_000;
/** Texts of this length are matched in stretches, and the term after each stretch is cached. */
const longText = 256;
const stretch = 64;
/** Maximum number of terms that a walker may create. */
const mostTerms = 4_000;
/** Maximum number of states visited to decide whether a look-ahead can still match. */
const mostWork = 4_000;

const machines = new WeakMap<Automaton, Machine>();

/**
 * Returns whether `text` matches as a whole (`pass`), could match with more text (`open`), or never (`fail`).
 * Time grows with the length of the text and the size of the expression.
 */
export function match(automaton: Automaton, text: string): Verdict {
  let machine = machines.get(automaton);
  if (!machine) {
    machine = machineFor(automaton);
    machines.set(automaton, machine);
  }
  const term = text.length < longText ? read(machine, text) : readOn(machine, text);
  return term.isNullable ? 'pass' : canMatch(machine, term) ? 'open' : 'fail';
}

/** The term after a text. */
function read(m: Machine, text: Iterable<string>, from: Term = m.root): Term {
  let term = from;
  for (const character of text) {
    term = after(m, term, character.codePointAt(0)!);
    if (isNothing(term)) break;
    if (m.held > mostHeld) term = forget(m, term);
  }
  return term;
}

/** The same for a long text, starting where it differs from the previous one. One key changes little. */
function readOn(m: Machine, text: string): Term {
  const characters = [...text];
  const { last } = m;
  let same = 0;
  while (same < characters.length && characters[same] === last.characters[same]) same++;
  const terms = last.terms.slice(0, Math.floor(same / stretch));
  let term = terms.at(-1) ?? m.root;
  for (let at = terms.length * stretch; at < characters.length; at += stretch) {
    term = read(m, characters.slice(at, at + stretch), term);
    terms.push(term);
  }
  m.last = { characters, terms };
  return term;
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
  const terms = new Map([[machine.root.id, machine.root]]);
  return {
    start: machine.root.id,
    step(state, code) {
      if (machine.made > mostTerms) return undefined;
      const next = after(machine, terms.get(state)!, code);
      terms.set(next.id, next);
      return next.id;
    },
    matches: (state) => terms.get(state)!.isNullable,
  };
}

function machineFor(automaton: Automaton): Machine {
  const ones = automaton.nodes.filter((node) => node.op === 'one');
  const machine: Machine = {
    states: [{ type: 'end' }],
    unions: new Map(),
    others: new Map(),
    ones,
    classes: new Map(),
    classOf: new Map(),
    samples: undefined,
    isExact: ones.every(({ properties }) => !properties?.length),
    work: 0,
    seen: new Int32Array(0),
    round: 0,
    held: 0,
    made: 0,
    last: { characters: [], terms: [] },
    root: undefined as unknown as Term,
  };
  machine.root = termOf(machine, automaton, automaton.root);
  return machine;
}

/** For each node, whether it accepts a code point. */
const sortOf = (ones: readonly One[], code: number): string =>
  ones.map((one) => (takesPoint(one, code) ? '1' : '0')).join('');

function classOf(m: Machine, code: number): number {
  let known = m.classOf.get(code);
  if (known === undefined) {
    const key = sortOf(m.ones, code);
    known = m.classes.get(key) ?? m.classes.size;
    m.classes.set(key, known);
    m.classOf.set(code, known);
  }
  return known;
}

function samplesOf({ ones }: Machine): readonly number[] {
  const samples = new Map<string, number>();
  const edges = [...'aZ7 -_é漢я٣€😀'].map((c) => c.codePointAt(0)!);
  for (const { ranges } of ones) for (const edge of ranges) edges.push(edge - 1, edge, edge + 1);
  for (const code of new Set(edges)) {
    if (code < 0 || code > 0x10ffff) continue;
    const key = sortOf(ones, code);
    if (!samples.has(key)) samples.set(key, code);
  }
  return [...samples.values()];
}

/** A term for a node of the expression. */
function termOf(m: Machine, automaton: Automaton, i: number): Term {
  const node = itemAt(automaton.nodes, i);
  if (node.op === 'both') return both(m, termOf(m, automaton, node.a), termOf(m, automaton, node.b));
  if (node.op === 'not') return not(m, termOf(m, automaton, node.a));
  const from = build(m, automaton, i, 0);
  return union(m, from === undefined ? [] : [from], []);
}

/**
 * Adds the states for a node that is followed by the state `next`. Returns the first of them, or `undefined`
 * if no text matches. An intersection or a complement covers the whole rest, so there `next` is the end.
 */
function build(m: Machine, automaton: Automaton, i: number, next: number): number | undefined {
  const { states } = m;
  const node = itemAt(automaton.nodes, i);
  const inner = (a: number, then: number) => build(m, automaton, a, then);
  const either = (a: number | undefined, b: number | undefined): number | undefined =>
    a === undefined || b === undefined ? (a ?? b) : states.push({ type: 'split', a, b }) - 1;
  switch (node.op) {
    case 'nothing':
      return undefined;
    case 'empty':
      return next;
    case 'one':
      return isNever(node) ? undefined : states.push({ type: 'one', one: node, next }) - 1;
    case 'sequence': {
      const rest = inner(node.b, next);
      return rest === undefined ? undefined : inner(node.a, rest);
    }
    case 'either':
      return either(inner(node.a, next), inner(node.b, next));
    case 'many': {
      const loop = { type: 'split' as const, a: next, b: next };
      const at = states.push(loop) - 1;
      loop.a = inner(node.a, at) ?? next;
      return at;
    }
    case 'counted': {
      let from: number | undefined = next;
      for (let copy = node.max; copy > 0 && from !== undefined; copy--) {
        const before: number | undefined = inner(node.a, from);
        from = copy > node.min ? either(before, next) : before;
      }
      return from;
    }
    case 'both':
    case 'not':
      return states.push({ type: 'rest', term: termOf(m, automaton, i) }) - 1;
  }
}

const isNever = ({ ranges, properties, negated }: One): boolean => {
  if (properties?.length) return false;
  if (!negated) return ranges.length === 0;
  let next = 0;
  const pairs = ranges.flatMap((from, i) => (i % 2 === 0 ? [[from, itemAt(ranges, i + 1)] as const] : []));
  for (const [from, to] of pairs.sort((a, b) => a[0] - b[0])) if (from <= next) next = Math.max(next, to + 1);
  return next > 0x10ffff;
};

/** The union of some states, with those reachable without a character, and some terms. */
function union(m: Machine, from: readonly number[], also: readonly Term[]): Term {
  const rests = new Map<number, Term>();
  const queue = [...from];
  const gather = (term: Term): void => {
    if (term.op !== 'union') rests.set(term.id, term);
    else {
      for (const i of term.states) queue.push(i);
      for (const rest of term.rests) rests.set(rest.id, rest);
    }
  };
  also.forEach(gather);
  const states: number[] = [];
  if (m.seen.length < m.states.length) m.seen = new Int32Array(2 * m.states.length);
  m.round++;
  while (queue.length > 0) {
    const i = queue.pop()!;
    if (m.seen[i] === m.round) continue;
    m.seen[i] = m.round;
    m.work++;
    const state = itemAt(m.states, i);
    if (state.type === 'split') queue.push(state.a, state.b);
    else if (state.type === 'rest') gather(state.term);
    else states.push(i);
  }
  const all = [...rests.values()].sort((a, b) => a.id - b.id);
  const whole = all.find(isEverything);
  if (whole) return whole;
  if (states.length === 0 && all.length === 1) return itemAt(all, 0);
  return unionOf(
    m,
    states.sort((a, b) => a - b),
    all,
  );
}

/** The term for a union. Equal unions are the same object. */
function unionOf(m: Machine, states: readonly number[], rests: readonly Term[]): Term {
  let hash = states.length;
  for (const i of states) hash = (Math.imul(hash, 31) + i) | 0;
  for (const { id } of rests) hash = (Math.imul(hash, 37) + id) | 0;
  const alike = m.unions.get(hash) ?? [];
  const known = alike.find(
    (term) =>
      term.states.length === states.length &&
      term.rests.length === rests.length &&
      term.states.every((i, at) => i === states[at]) &&
      term.rests.every((rest, at) => rest === rests[at]),
  );
  if (known) return known;
  const term: Union = {
    op: 'union',
    states,
    rests,
    id: m.made++,
    isNullable: states[0] === 0 || rests.some(({ isNullable }) => isNullable),
    next: new Map(),
  };
  m.held += states.length + 1;
  m.unions.set(hash, [...alike, term]);
  return term;
}

function known(m: Machine, key: string, make: (id: number) => Term): Term {
  const one = m.others.get(key);
  if (one) return one;
  const term = make(m.made++);
  m.held++;
  m.others.set(key, term);
  return term;
}

const isNothing = (term: Term): boolean =>
  term.op === 'union' && term.states.length === 0 && term.rests.length === 0;
const isEverything = (term: Term): boolean => term.op === 'not' && isNothing(term.a);

function both(m: Machine, a: Term, b: Term): Term {
  if (a === b || isNothing(a) || isEverything(b)) return a;
  if (isNothing(b) || isEverything(a)) return b;
  const [first, second] = a.id < b.id ? [a, b] : [b, a];
  return known(m, `${first.id}&${second.id}`, (id) => ({
    op: 'both',
    a: first,
    b: second,
    id,
    isNullable: a.isNullable && b.isNullable,
    next: new Map(),
  }));
}

function not(m: Machine, a: Term): Term {
  if (a.op === 'not') return a.a;
  return known(m, `!${a.id}`, (id) => ({ op: 'not', a, id, isNullable: !a.isNullable, next: new Map() }));
}

/** The term after a character. */
function after(m: Machine, term: Term, code: number): Term {
  const sort = classOf(m, code);
  let next = term.next.get(sort);
  if (!next) {
    next = derived(m, term, code);
    term.next.set(sort, next);
  }
  return next;
}

function derived(m: Machine, term: Term, code: number): Term {
  if (term.op === 'both') return both(m, after(m, term.a, code), after(m, term.b, code));
  if (term.op === 'not') return not(m, after(m, term.a, code));
  const on: number[] = [];
  for (const i of term.states) {
    const state = itemAt(m.states, i);
    if (state.type === 'one' && takesPoint(state.one, code)) on.push(state.next);
  }
  m.work += term.states.length;
  return union(
    m,
    on,
    term.rests.map((rest) => after(m, rest, code)),
  );
}

/** Empties the cache of a machine. Returns the term as an object of the new cache. */
function forget(m: Machine, term: Term): Term {
  m.unions.clear();
  m.others.clear();
  m.classOf.clear();
  m.held = 0;
  // Copies the terms that states refer to, without their cached successors.
  const fresh = new Map<Term, Term>();
  const again = (old: Term): Term => {
    let copy = fresh.get(old);
    if (copy) return copy;
    if (old.op === 'both') copy = both(m, again(old.a), again(old.b));
    else if (old.op === 'not') copy = not(m, again(old.a));
    else copy = union(m, old.states, old.rests.map(again));
    fresh.set(old, copy);
    return copy;
  };
  for (const [i, state] of m.states.entries())
    if (state.type === 'rest') m.states[i] = { type: 'rest', term: again(state.term) };
  m.root = again(m.root);
  return again(term);
}

const tests = new Map<string, RegExp>();

/** Whether a node that stands for one character accepts a code point. */
export function takesPoint(node: One, code: number): boolean {
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

const sizeOf = (term: Term): number =>
  term.op === 'not'
    ? sizeOf(term.a)
    : term.op === 'both'
      ? sizeOf(term.a) + sizeOf(term.b)
      : term.states.length + term.rests.length;

/**
 * Whether any text matches. Every state of a union leads to a match, because `build` leaves out the others.
 * For intersections and complements a bounded search decides. If it ends early, the result is `true`, which
 * gives `open`.
 */
function canMatch(m: Machine, root: Term): boolean {
  if (isNothing(root)) return false;
  if (root.canMatch !== undefined) return root.canMatch;
  const seen = new Set([root]);
  const queue = [root];
  const until = m.work + mostWork;
  let decided = !m.isExact;
  while (!decided && queue.length > 0) {
    // Newest first, smallest first: this finds a match quickly.
    const term = queue.pop()!;
    decided = term.isNullable || (term.op === 'union' && term.states.length > 0) || m.work > until;
    if (decided) break;
    m.samples ??= samplesOf(m);
    m.work += m.samples.length;
    const found = new Set(m.samples.map((code) => after(m, term, code)));
    const fresh = [...found].filter((next) => !isNothing(next) && !seen.has(next));
    for (const next of fresh.sort((a, b) => sizeOf(b) - sizeOf(a))) {
      seen.add(next);
      queue.push(next);
    }
  }
  root.canMatch = decided;
  return decided;
}
