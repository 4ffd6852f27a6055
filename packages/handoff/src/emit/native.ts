import { isConcealed } from '@arbeit/dom';
import { compileField, type FieldDocument, type SetDocument } from '@arbeit/engine/document';
import { misuse } from '@arbeit/engine/faults';
import { type HydratedField, mayStand } from '@arbeit/engine/field';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import { type Automaton, parseExpression, type Walker, walkerOf } from '@arbeit/engine/rules';
import { type Alphabet, endOf, valueTypesOf } from '@arbeit/engine/value-types';

/**
 * The attributes of a field without scripts (HTML, constraint validation). They refuse only what can never be
 * right.
 */
export interface NativeField {
  readonly field: HydratedField;
  /** Attributes by name; `true` for one without a value. */
  readonly attributes: Readonly<Record<string, string | true>>;
  readonly difference: Difference;
}

/** How what the attributes accept differs from what the field accepts. */
export type Difference =
  /**
   * No difference, shown over all reachable states. `none`: there is no `pattern`, so nothing is compared.
   */
  | { readonly is: 'same'; readonly states: number }
  | { readonly is: 'none' }
  /** An example that the attributes accept and the field refuses. */
  | { readonly is: 'more'; readonly example: string }
  /** Not decided: no difference among the states that were visited. */
  | { readonly is: 'unknown'; readonly states: number };

/** Largest number of states per field and per hand-off, so that a hand-off takes a second or two. */
const mostStates = 1_500;
const mostInAll = 6_000;

/** Results for fields by plan, and the states left for all fields. */
interface Proofs {
  readonly known: Map<string, Found>;
  left: number;
}
const noProofs = (): Proofs => ({ known: new Map(), left: mostInAll });

/** Whether a field accepts a whole text: complete, and nothing left out. This is what a server does. */
export function takesWhole({ kind, plan }: HydratedField, text: string): boolean {
  const { body, leftOut, rejected } = kind.parse(plan, text);
  return body.complete && !leftOut && !rejected;
}

/** The comparison of field and expression; `less` if the field accepts a text that the expression refuses. */
type Found = Difference | { readonly is: 'less' };

/** Classes of characters that field and expression treat alike, with one example each. */
interface Letters {
  readonly each: readonly string[];
  /** A text with each character replaced by its class. */
  sorted(text: string): string;
}

function lettersOf({ characters, sortOf }: Alphabet, automaton: Automaton): Letters {
  const pieces = automaton.nodes.flatMap((node, root) =>
    node.op === 'one' ? [walkerOf({ nodes: automaton.nodes, root })] : [],
  );
  const bySort = new Map<string, string>();
  const numbers = new Map<string, string>();
  const numberOf = (c: string): string => {
    const known = numbers.get(c);
    if (known !== undefined) return known;
    const sort = `${sortOf(c)} ${pieces.map((piece) => Number(accepts(piece, c))).join('')}`;
    const first = bySort.get(sort);
    if (first === undefined) bySort.set(sort, c);
    const number = first === undefined ? `${bySort.size} ` : (numbers.get(first) ?? '');
    numbers.set(c, number);
    return number;
  };
  for (const c of characters) numberOf(c);
  return { each: [...bySort.values()], sorted: (text) => Array.from(text, numberOf).join('') };
}

/**
 * Visits all states that field and expression can be in together, shortest texts first, and finds a text that
 * only one accepts. Texts that lead to the same state of both count once (law 8).
 */
function compared(
  field: HydratedField,
  walker: Walker,
  letters: Letters,
  most: number,
): { readonly found: Found; readonly states: number } {
  const { kind, plan } = field;
  const seen = new Set<string>();
  const gone = (found: Found) => ({ found, states: seen.size });
  let open: { readonly text: string; readonly state: number }[] = [{ text: '', state: walker.start }];
  while (open.length > 0) {
    const next: typeof open = [];
    for (const { text, state } of open)
      for (const c of letters.each) {
        const to = walker.step(state, c.codePointAt(0) ?? 0);
        if (to === undefined) return gone({ is: 'unknown', states: seen.size });
        const longer = text + c;
        const { body, caret, leftOut, rejected } = kind.parse(plan, longer);
        const isTaken = body.complete && !leftOut && !rejected;
        if (isTaken !== walker.matches(to))
          return gone(isTaken ? { is: 'less' } : { is: 'more', example: longer });
        if (leftOut) {
          // Characters left out stay out; only the expression tells how an accepted text continues.
          const more = completion(walker, to, letters.each);
          if (more === undefined) continue;
          return gone(
            more !== null && !takesWhole(field, longer + more)
              ? { is: 'more', example: longer + more }
              : { is: 'unknown', states: seen.size },
          );
        }
        const key = JSON.stringify([to, caret, rejected, endOf(longer), body], (_, value: unknown) =>
          typeof value === 'string' ? letters.sorted(value) : value,
        );
        if (seen.has(key)) continue;
        if (seen.size >= most) return gone({ is: 'unknown', states: seen.size });
        seen.add(key);
        next.push({ text: longer, state: to });
      }
    open = next;
  }
  return gone({ is: 'same', states: seen.size });
}

/**
 * The shortest text from a state to a match; `undefined` if there is none, `null` if that was not decided.
 */
function completion(walker: Walker, from: number, characters: readonly string[]): string | undefined | null {
  const seen = new Set([from]);
  let open: readonly (readonly [text: string, state: number])[] = [['', from]];
  while (open.length > 0) {
    const next: [string, number][] = [];
    for (const [text, state] of open) {
      if (walker.matches(state)) return text;
      for (const c of characters) {
        const to = walker.step(state, c.codePointAt(0) ?? 0);
        if (to === undefined || seen.size > mostStates) return null;
        if (seen.has(to)) continue;
        seen.add(to);
        next.push([text + c, to]);
      }
    }
    open = next;
  }
  return undefined;
}

/** Texts that people write. An example of these says more than one a machine finds. */
const tries = ['1', '12', '123', '99:99', '9999', '31/02/2027', '1x', '1234567890123', '+1', '0', '@#'];

/** The comparison for a field, computed once per plan. */
function foundFor(field: HydratedField, expression: string, proofs: Proofs): Found {
  const key = JSON.stringify(field.plan);
  const found = proofs.known.get(key) ?? find(field, expression, proofs);
  proofs.known.set(key, found);
  return found;
}

function find(field: HydratedField, expression: string, proofs: Proofs): Found {
  const automaton = parseExpression(expression);
  if ('message' in automaton)
    throw misuse({ code: automaton.code, message: `${field.id}: ${automaton.message}` });
  const walker = walkerOf(automaton);
  const { alphabet } = valueTypesOf(field.plan);
  let found: Found = { is: 'unknown', states: 0 };
  if (alphabet && proofs.left > 0) {
    const most = Math.min(mostStates, proofs.left);
    const gone = compared(field, walker, lettersOf(alphabet, automaton), most);
    proofs.left -= gone.states;
    found = gone.found;
  }
  if (found.is === 'same' || found.is === 'less') return found;
  const example = tries.find((text) => accepts(walker, text) && !takesWhole(field, text));
  return example === undefined ? found : { is: 'more', example };
}

/** The attributes of a field on a page without scripts, and the limits of what they check. */
export function nativeField(
  definition: FieldDocument,
  set: SetDocument,
  kinds: KindTable,
  proofs: Proofs = noProofs(),
): NativeField {
  const field = compileField(definition, set, kinds);
  const { define } = kindIn(kinds, definition.kind);
  const attributes: Record<string, string | true> = isConcealed(field)
    ? { type: 'password', autocomplete: 'off' }
    : {};
  for (const [name, value] of Object.entries(field.html))
    if (mayStand(name, value) && value !== false) attributes[name] = value === true ? true : value;
  if (field.placeholder) attributes.placeholder = field.placeholder;
  // A rule with a condition blocks nothing here, because the page cannot evaluate the condition.
  const rules = field.rules.filter(({ severity, when }) => severity === 'error' && !when);
  if (rules.some(({ check }) => check.type === 'required') && !field.when) attributes.required = true;
  // There are never more grapheme clusters than HTML counts.
  for (const { check } of rules)
    if (check.type === 'length' && check.min && define.comparable === undefined)
      attributes.minlength = String(check.min);
  const pattern = valueTypesOf(field.plan).typedForm;
  if (pattern === undefined) return { field, attributes, difference: { is: 'none' } };
  const found = foundFor(field, pattern, proofs);
  // A text that the field accepts and the expression does not must not be refused.
  if (found.is === 'less') return { field, attributes, difference: { is: 'none' } };
  attributes.pattern = pattern;
  return { field, attributes, difference: found };
}

/** The native fields of sets that were asked for before: comparing takes a second for a large set. */
const known = new WeakMap<SetDocument, { readonly kinds: KindTable; readonly natives: NativeFields }>();

/** The native fields of a set, by id, in its order. */
export type NativeFields = ReadonlyMap<string, NativeField>;

/** The native fields of a set. Computed once per set, which is never changed in place. */
export function nativesOf(set: SetDocument, kinds: KindTable): NativeFields {
  const before = known.get(set);
  if (before?.kinds === kinds) return before.natives;
  const proofs = noProofs();
  const natives = new Map(set.fields.map((field) => [field.id, nativeField(field, set, kinds, proofs)]));
  known.set(set, { kinds, natives });
  return natives;
}

/** Whether an expression accepts a text, as far as can be decided. */
function accepts(walker: Walker, text: string): boolean {
  let state: number | undefined = walker.start;
  for (const c of text) {
    state = walker.step(state, c.codePointAt(0) ?? 0);
    if (state === undefined) return false;
  }
  return walker.matches(state);
}
