import { type CompiledSet, compile, type RunCustomCode, withCustomCode } from '../document/compile.ts';
import type { SetDocument } from '../document/document.ts';
import { dehydrate, type HydratedField } from '../field/kind.ts';
import type { HydratedForm } from '../form/form.ts';
import type { KindTable } from '../kinds/contract/definition.ts';
import { valueTypesOf } from '../kinds/value-types.ts';
import { distinguishingText } from '../rules/difference.ts';
import { parseExpression } from '../rules/expression.ts';
import { findDifference } from './distinguish.ts';

/** A comparison of a field or form of two sets. */
export interface Compared {
  readonly target: { readonly type: 'field' | 'form'; readonly id: string };
  /** Its name for people. */
  readonly name: string;
  readonly is:
    | 'added'
    | 'removed'
    /** It compiles to the same. */
    | 'same'
    /** A tape shows a difference, or only one accepts some text. */
    | 'other'
    /** It is defined differently, and no tape was found that shows a difference. */
    | 'alike';
  /** The actions, one per line, with what each of the two shows. */
  readonly tape?: {
    readonly actions: readonly string[];
    readonly before: readonly string[];
    readonly after: readonly string[];
  };
  /**
   * The shortest values that only one of the two accepts, found by comparing automata: if there are none,
   * none exist.
   */
  readonly values?: { readonly before?: string; readonly after?: string };
}

/** The values of a field as an automaton, if they are known exactly. */
function automatonOf({ plan }: HydratedField) {
  const { values } = valueTypesOf(plan);
  if (values.expression === undefined || values.beyond !== undefined) return undefined;
  const read = parseExpression(values.expression);
  return 'message' in read ? undefined : read;
}

/** Values that only one of two fields can have. */
function valuesApart(a: HydratedField, b: HydratedField): Compared['values'] {
  const [one, other] = [automatonOf(a), automatonOf(b)];
  if (!one || !other) return undefined;
  const before = distinguishingText(one, other, undefined, true);
  const after = distinguishingText(other, one, undefined, true);
  return before || after ? { ...(before ? { before } : {}), ...(after ? { after } : {}) } : undefined;
}

const formAs = ({ rules, submit, completes, unanswered, fields }: HydratedForm): string =>
  JSON.stringify([rules, submit, completes, unanswered, fields.map(({ id }) => id)]);

/**
 * Compares the behaviour of two sets: each field and form of either, with the shortest tape that was found
 * where they differ. `today` (ISO 8601) is the day both are tried on; `run` runs developers' code. Throws
 * `RangeError` for documents that `readDocument` would have refused.
 *
 * @example
 * for (const { name, is } of compareSets(set, set, kinds, '2027-02-10')) console.log(name, is);
 */
export function* compareSets(
  before: SetDocument,
  after: SetDocument,
  kinds: KindTable,
  today: string,
  run?: RunCustomCode,
): Generator<Compared> {
  const ready = (document: SetDocument): CompiledSet => {
    const set = compile(document, kinds);
    return run ? withCustomCode(set, run) : set;
  };
  const [right, wrong] = [ready(before), ready(after)];
  const pairOf = (target: Compared['target']) => ({ right, wrong, target, today });
  const told = (target: Compared['target'], name: string, values: Compared['values']): Compared => {
    const found = findDifference(pairOf(target), kinds);
    const tape =
      found.is === 'told' ? { actions: found.actions, before: found.right, after: found.wrong } : undefined;
    return {
      target,
      name,
      is: tape || values ? 'other' : 'alike',
      ...(tape ? { tape } : {}),
      ...(values ? { values } : {}),
    };
  };
  const ids = <T extends { readonly id: string }>(a: readonly T[], b: readonly T[]): readonly string[] => [
    ...new Set([...a, ...b].map(({ id }) => id)),
  ];
  for (const id of ids(right.fields, wrong.fields)) {
    const [a, b] = [right, wrong].map(({ fields }) => fields.find((field) => field.id === id));
    const target = { type: 'field', id } as const;
    const name = (b ?? a)?.label || id;
    if (!a || !b) yield { target, name, is: a ? 'removed' : 'added' };
    else if (JSON.stringify(dehydrate(a)) === JSON.stringify(dehydrate(b)))
      yield { target, name, is: 'same' };
    else yield told(target, name, valuesApart(a, b));
  }
  for (const id of ids(right.forms, wrong.forms)) {
    const [a, b] = [right, wrong].map(({ forms }) => forms.find((form) => form.id === id));
    const target = { type: 'form', id } as const;
    const name = (b ?? a)?.title || id;
    if (!a || !b) yield { target, name, is: a ? 'removed' : 'added' };
    // Differences of its fields are reported for the fields.
    else if (formAs(a) === formAs(b)) yield { target, name, is: 'same' };
    else yield told(target, name, undefined);
  }
}
