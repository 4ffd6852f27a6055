import { describedBy } from '@arbeit/engine/described';
import type { FieldDocument } from '@arbeit/engine/document';
import { compileField, type SetDocument } from '@arbeit/engine/document';
import { mayStand, type OpenField } from '@arbeit/engine/field';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import { parseExpression, type Walker, walkerOf } from '@arbeit/engine/rules';

/** What a page says of a field without scripts (HTML, constraint validation): it refuses only what can never be right. */
export interface NativeField {
  readonly field: OpenField;
  /** Attributes by name; `true` for one that only stands there. */
  readonly attributes: Readonly<Record<string, string | true>>;
  readonly difference: Difference;
}

/** How what the attributes let through differs from what the field takes. */
export type Difference =
  /** It does not: shown over all states that texts can lead to. `none`: there is no `pattern`, nothing is compared. */
  | { readonly is: 'same'; readonly states: number }
  | { readonly is: 'none' }
  /** A text that is let through and the field refuses. */
  | { readonly is: 'more'; readonly example: string }
  /** Too many states to go through; among those that were there was no difference. */
  | { readonly is: 'unknown'; readonly states: number };

/** More states than this are not gone through: a hand-off is made in a second or two. */
const mostStates = 1_500;

/** Characters that texts are made of, for one that stands for all that are treated alike to be found among them. */
const candidates = [..."0123456789aAzZfFxX -./:()+'é漢٣７Ａ_"];

/** Whether a field takes a text whole: complete, and nothing of it left out. What a server does with what comes in. */
export function takesWhole({ kind, plan }: OpenField, text: string): boolean {
  const { body, leftOut, rejected } = kind.read(plan, text);
  return body.complete && !leftOut && !rejected;
}

/** One character for all that field and expression treat alike where they stand alone; numbers and words tell each apart. */
function alphabetOf(field: OpenField, walker: Walker): readonly string[] {
  const { kind, plan } = field;
  const isCounted =
    JSON.stringify(plan).includes('"takes":"number"') || JSON.stringify(plan).includes('"takes":"words"');
  const fixed = [...JSON.stringify((plan as { readonly before?: unknown }).before ?? '')];
  const all = [...new Set([...candidates, ...fixed.filter((c) => /[^"\\[\]{},]/.test(c))])];
  if (isCounted) return all;
  const signature = (c: string): string => {
    const { body, leftOut, rejected } = kind.read(plan, c);
    const after = kind.read(plan, `0${c}`);
    const step = walker.step(walker.start, c.codePointAt(0) ?? 0);
    return JSON.stringify([
      body.content === c ? 'itself' : body.content && 'changed', leftOut && 'left', rejected, step, after.leftOut && 'left', fixed.includes(c) && c,
    ]); // biome-ignore format: what is looked at
  };
  const known = new Map(all.map((c) => [signature(c), c]));
  return [...known.values()];
}

/**
 * Goes through all states that field and expression can be in together, the shortest texts first, and finds a text that one takes and the
 * other does not. Two texts that leave both in the same state are one: what follows is then the same (law 8).
 */
function compared(field: OpenField, walker: Walker): Difference & { readonly less?: string } {
  const { kind, plan } = field;
  const alphabet = alphabetOf(field, walker);
  const seen = new Set<string>();
  let open: { readonly text: string; readonly state: number }[] = [{ text: '', state: walker.start }];
  while (open.length > 0) {
    const next: typeof open = [];
    for (const { text, state } of open)
      for (const c of alphabet) {
        const to = walker.step(state, c.codePointAt(0) ?? 0);
        if (to === undefined) return { is: 'unknown', states: seen.size };
        const longer = text + c;
        const { body, leftOut, rejected } = kind.read(plan, longer);
        const isTaken = body.complete && !leftOut && !rejected;
        if (isTaken !== walker.matches(to))
          return isTaken
            ? { is: 'unknown', states: seen.size, less: longer }
            : { is: 'more', example: longer };
        // What was left out stays left out: then the expression alone says how a text goes on that is let through.
        const end = leftOut ? completion(walker, to, alphabet) : undefined;
        if (end !== undefined && !takesWhole(field, longer + end))
          return { is: 'more', example: longer + end };
        if (leftOut && end === undefined) continue;
        const key = `${to} ${body.content.length} ${body.content} ${body.display} ${leftOut ? 1 : 0} ${rejected}`;
        if (seen.has(key)) continue;
        seen.add(key);
        if (seen.size > mostStates) return { is: 'unknown', states: seen.size };
        next.push({ text: longer, state: to });
      }
    open = next;
  }
  return { is: 'same', states: seen.size };
}

/** The shortest text that leads from a state to one that matches; `undefined` where none was found soon. */
function completion(walker: Walker, from: number, alphabet: readonly string[]): string | undefined {
  const seen = new Set([from]);
  let open: readonly (readonly [text: string, state: number])[] = [['', from]];
  while (open.length > 0 && seen.size < mostStates) {
    const next: [string, number][] = [];
    for (const [text, state] of open) {
      if (walker.matches(state)) return text;
      for (const c of alphabet) {
        const to = walker.step(state, c.codePointAt(0) ?? 0);
        if (to === undefined || seen.has(to)) continue;
        seen.add(to);
        next.push([text + c, to]);
      }
    }
    open = next;
  }
  return undefined;
}

/** Texts that are worth a try where there are too many to go through. */
const tries = ['1', '12', '123', '99:99', '9999', '31/02/2027', '1x', '1234567890123', '+1', '0'];

/** The attributes of a field for a page without scripts, and how far they go. */
export function nativeField(definition: FieldDocument, set: SetDocument, kinds: KindTable): NativeField {
  const field = compileField(definition, set, kinds);
  const { define } = kindIn(kinds, definition.kind);
  const attributes: Record<string, string | true> = {};
  for (const [name, value] of Object.entries(field.html))
    if (mayStand(name, value) && value !== false) attributes[name] = value === true ? true : value;
  if (field.placeholder) attributes.placeholder = field.placeholder;
  // A rule that may not count holds back nobody who cannot tell.
  const rules = field.rules.filter(({ severity, when }) => severity === 'error' && !when);
  if (rules.some(({ check }) => check.type === 'required') && !field.when) attributes.required = true;
  // Characters that people see are never more than those HTML counts.
  for (const { check } of rules)
    if (check.type === 'length' && check.min && define.comparable === undefined)
      attributes.minlength = String(check.min);
  const pattern = describedBy(field.plan).typedForm;
  if (pattern === undefined) return { field, attributes, difference: { is: 'none' } };
  const automaton = parseExpression(pattern);
  if ('message' in automaton) throw new RangeError(`${field.id}: ${automaton.message}`);
  const walker = walkerOf(automaton);
  const found = compared(field, walker);
  // A text the field takes and the expression does not: it must not be refused.
  if ('less' in found) return { field, attributes, difference: { is: 'none' } };
  attributes.pattern = pattern;
  if (found.is === 'same') return { field, attributes, difference: found };
  // A text that people write says more than one a machine has found.
  const example = tries.find((text) => accepts(walker, text) && !takesWhole(field, text));
  return { field, attributes, difference: example === undefined ? found : { is: 'more', example } };
}

function accepts(walker: Walker, text: string): boolean {
  let state: number | undefined = walker.start;
  for (const c of text) {
    state = walker.step(state, c.codePointAt(0) ?? 0);
    if (state === undefined) return true;
  }
  return walker.matches(state);
}
