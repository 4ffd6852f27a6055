import { formCircle, formFieldMissing, formRuleField } from '../faults/usage.ts';
import type { HydratedField } from '../field/kind.ts';
import { fieldsIn } from '../rules/condition.ts';
import type { Rule } from '../rules/rule.ts';
import type { FormRule } from './form-rule.ts';

/** The dependencies of a form, computed once. */
export interface Graph {
  /** The form's rules by the id of the field that shows their message. */
  readonly rulesAt: ReadonlyMap<string, readonly FormRule[]>;
  /** Ids of other fields that the rules at a field read, by its id; only for fields with such rules. */
  readonly readsAt: ReadonlyMap<string, readonly string[]>;
  /** Ids of the fields to evaluate when a field changes, itself first, by its id. */
  readonly concerns: ReadonlyMap<string, readonly string[]>;
  /** Ids of the fields in a field's own condition, by its id; only for fields with a condition. */
  readonly hangsOn: ReadonlyMap<string, readonly string[]>;
  /** Ids of fields with a rule that removes what it refuses. */
  readonly clearing: ReadonlySet<string>;
  /** Ids of fields with a rule that asks a server. */
  readonly asking: ReadonlySet<string>;
  /** Ids of the other fields with the same value, by id; only for fields that share one. */
  readonly sharing: ReadonlyMap<string, readonly string[]>;
}

/** The other fields a rule depends on: those its check reads and those in its condition. */
const fieldsOfRule = ({ reads = [], when }: Pick<Rule, 'reads' | 'when'>): readonly string[] =>
  when ? [...reads, ...fieldsIn(when)] : reads;

/**
 * The graph of a form. Throws `RangeError` for a rule or condition about an unknown field, and for circular
 * conditions.
 */
export function graphOf(
  fields: readonly HydratedField[],
  rules: readonly FormRule[],
  isHere: (id: string) => boolean,
): Graph {
  const rulesAt = new Map<string, FormRule[]>();
  const readsAt = new Map<string, readonly string[]>();
  const readers = new Map<string, Set<string>>();
  const hanging = new Map<string, Set<string>>();
  const hangsOn = new Map<string, readonly string[]>();
  const asking = new Set<string>();
  const clearing = new Set<string>();
  const note = (map: Map<string, Set<string>>, from: string, to: string): void => {
    if (!isHere(from)) throw formFieldMissing(to, from);
    if (from === to) return;
    const known = map.get(from);
    if (known) known.add(to);
    else map.set(from, new Set([to]));
  };
  for (const rule of rules) {
    if (!isHere(rule.field)) throw formRuleField(rule.id, rule.field);
    const known = rulesAt.get(rule.field);
    if (known) known.push(rule);
    else rulesAt.set(rule.field, [rule]);
  }
  for (const { id, rules: own, when } of fields) {
    const all = [...own, ...(rulesAt.get(id) ?? [])];
    const reads = new Set<string>();
    for (const rule of all) {
      for (const name of fieldsOfRule(rule)) {
        note(readers, name, id);
        reads.add(name);
      }
      if (rule.check.type === 'remote') asking.add(id);
      if (rule.clears) clearing.add(id);
    }
    if (when) hangsOn.set(id, [...new Set(fieldsIn(when))]);
    for (const name of hangsOn.get(id) ?? []) note(hanging, name, id);
    reads.delete(id);
    if (reads.size) readsAt.set(id, [...reads]);
  }
  const order = inOrder(fields, hangsOn);
  const concerns = new Map<string, readonly string[]>();
  // Last first: fields that depend on a field are visited before the field itself.
  for (const id of order.toReversed()) {
    const all = new Set([id, ...(readers.get(id) ?? [])]);
    for (const one of hanging.get(id) ?? []) for (const deep of concerns.get(one) ?? []) all.add(deep);
    concerns.set(id, [...all]);
  }
  const sharing = sharingOf(fields);
  // Whoever changes one of them changes all.
  const before = new Map(concerns);
  for (const [id, others] of sharing)
    concerns.set(id, [...new Set([id, ...others].flatMap((one) => before.get(one) ?? []))]);
  return { rulesAt, readsAt, concerns, hangsOn, asking, clearing, sharing };
}

/** The other fields with the same value, by id of each field that shares one. */
function sharingOf(
  fields: readonly Pick<HydratedField, 'id' | 'sameValueAs'>[],
): ReadonlyMap<string, readonly string[]> {
  const groups = new Map<string, string[]>();
  for (const { id, sameValueAs = id } of fields) {
    const group = groups.get(sameValueAs);
    if (group) group.push(id);
    else groups.set(sameValueAs, [id]);
  }
  const shared = [...groups.values()].filter((group) => group.length > 1);
  return new Map(
    shared.flatMap((group) => group.map((id) => [id, group.filter((other) => other !== id)] as const)),
  );
}

/**
 * The ids of the fields, each after the fields its condition is about. Throws `RangeError` for circular
 * conditions, with the path. Iterative: a chain of conditions may be as long as the form.
 */
function inOrder(
  fields: readonly HydratedField[],
  hangsOn: ReadonlyMap<string, readonly string[]>,
): readonly string[] {
  const done = new Set<string>();
  /** Fields of the current chain, each with the number of dependencies that were visited. */
  const path = new Map<string, number>();
  const stack: string[] = [];
  const enter = (id: string): void => {
    path.set(id, 0);
    stack.push(id);
  };
  for (const { id: first } of fields) {
    if (!done.has(first)) enter(first);
    for (let id = stack.at(-1); id !== undefined; id = stack.at(-1)) {
      const looked = path.get(id) ?? 0;
      const next = hangsOn.get(id)?.[looked];
      if (next === undefined) {
        stack.pop();
        path.delete(id);
        done.add(id);
        continue;
      }
      path.set(id, looked + 1);
      if (path.has(next)) {
        const circle = stack.slice(stack.indexOf(next)).toReversed();
        throw formCircle([circle.at(-1), ...circle].join(' -> '));
      }
      if (!done.has(next)) enter(next);
    }
  }
  return [...done];
}
