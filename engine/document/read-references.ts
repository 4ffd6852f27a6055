import { nearest } from '../faults/fault.ts';
import { list, nameOf, type Spot } from '../faults/spot.ts';
import { type KindTable, kindIn } from '../kinds/definition.ts';
import { valueFor } from './condition.ts';
import {
  type ConditionDocument,
  type FieldDocument,
  fieldIdsOf,
  type RuleDocument,
  type SetDocument,
} from './document.ts';

/** A place that speaks of another field: which one, and where. */
interface Reference {
  readonly field: string;
  readonly at: Spot;
}

/**
 * What fields, rules and forms say of other fields: that these are there, can be compared, can hold what is asked of them, stand in the same form,
 * and that no field counts only while it counts itself. Asked of a document that is otherwise sound.
 */
export function readReferences(at: Spot, kinds: KindTable): void {
  // It has been read and found sound.
  const set = at.value as SetDocument;
  const before = at.faults.length;
  const byId = new Map(set.fields.map((field) => [field.id, field]));
  const known = [...byId.keys()];
  const needs = new Map<string, readonly Reference[]>();
  for (const [i, spot] of at.get('fields').items().entries()) {
    const field = set.fields[i]!;
    const all = [
      ...conditionsIn(field.when, spot.get('when')),
      ...(field.rules ?? []).flatMap((rule, j) => referencesOf(rule, spot.get('rules').items()[j]!)),
    ];
    needs.set(field.id, all);
    for (const { field: id, at: place } of all)
      if (!byId.has(id)) place.fault(`No field has the id "${id}".`, { suggestion: nearest(id, known) });
    for (const [j, rule] of (field.rules ?? []).entries())
      readComparison(rule, field, byId, spot.get('rules').items()[j]!, kinds);
  }
  for (const [i, spot] of (set.forms ? at.get('forms').items() : []).entries()) {
    const form = set.forms![i]!;
    const own = fieldIdsOf(form);
    for (const id of own)
      for (const one of needs.get(id) ?? [])
        if (byId.has(one.field) && !own.includes(one.field))
          spot.fault(`It lacks the field "${one.field}", which "${id}" depends on.`, {
            suggestion: one.field,
          });
    for (const [j, rule] of (form.rules ?? []).entries()) {
      const place = spot.get('rules').items()[j]!;
      for (const { field, at: where } of [
        { field: rule.field, at: place.get('field') },
        ...referencesOf(rule, place),
      ])
        if (!own.includes(field))
          where.fault(`The form has no field "${field}".`, { suggestion: nearest(field, own) });
      const field = byId.get(rule.field);
      if (field) readComparison(rule, field, byId, place, kinds);
    }
  }
  if (at.faults.length > before) return;
  readValues(at, set, byId, kinds);
  readCircles(at, set);
}

/** The fields a rule speaks of, beside the one it stands at. */
function referencesOf(rule: RuleDocument, at: Spot): readonly Reference[] {
  const { check } = rule;
  const named = 'with' in check ? (check.with ?? []) : [];
  return [
    ...(check.type === 'compare' ? [{ field: check.field, at: at.get('check').get('field') }] : []),
    ...named.map((field, i) => ({ field, at: at.get('check').get('with').items()[i]! })),
    ...conditionsIn(rule.when, at.get('when')),
  ];
}

/** The fields a condition speaks of, each with its place. */
function conditionsIn(when: ConditionDocument | undefined, at: Spot): readonly Reference[] {
  if (!when) return [];
  if ('not' in when) return conditionsIn(when.not, at.get('not'));
  if ('field' in when) return [{ field: when.field, at: at.get('field') }];
  const key = 'all' in when ? 'all' : 'any';
  const all = 'all' in when ? when.all : when.any;
  return all.flatMap((one, i) => conditionsIn(one, at.get(key).items()[i]!));
}

/** The ids of the fields a condition speaks of. */
function fieldsIn(when: ConditionDocument): readonly string[] {
  if ('field' in when) return [when.field];
  if ('not' in when) return fieldsIn(when.not);
  return ('all' in when ? when.all : when.any).flatMap(fieldsIn);
}

/** Whether two fields can be compared: with itself none, others only where they count alike. */
function readComparison(
  { check }: RuleDocument,
  field: FieldDocument,
  byId: ReadonlyMap<string, FieldDocument>,
  at: Spot,
  kinds: KindTable,
): void {
  if (check.type !== 'compare') return;
  const other = byId.get(check.field);
  const where = at.get('check').get('field');
  if (check.field === field.id) where.fault('A field is always the same as itself: name another.');
  if (!other || check.op === 'same' || check.op === 'differs') return;
  const [own, its] = [field, other].map((one) => kindIn(kinds, one.kind).define);
  if (own!.comparable === its!.comparable) return;
  const alike = [...byId.values()].filter(
    ({ id, kind }) => id !== field.id && kindIn(kinds, kind).define.comparable === own!.comparable,
  );
  where.fault(`A ${own!.name} cannot be "${check.op}" a ${its!.name}.`, { suggestion: alike[0]?.id });
}

/** What a condition asks of a field must be something the field can hold: else it would never hold. */
function readValues(
  at: Spot,
  set: SetDocument,
  byId: ReadonlyMap<string, FieldDocument>,
  kinds: KindTable,
): void {
  const look = (when: ConditionDocument | undefined, spot: Spot): void => {
    if (!when) return;
    if ('not' in when) look(when.not, spot.get('not'));
    if ('all' in when) for (const [i, one] of when.all.entries()) look(one, spot.get('all').items()[i]!);
    if ('any' in when) for (const [i, one] of when.any.entries()) look(one, spot.get('any').items()[i]!);
    if (!('field' in when)) return;
    const field = byId.get(when.field)!;
    const is = spot.get('is');
    for (const one of Array.isArray(is.value) ? is.items() : [is]) {
      const value = one.value as string | number | boolean | null;
      const { hasSeveral } = kindIn(kinds, field.kind).define;
      const options = ((field.entry ?? {}) as { options?: readonly { value: string }[] }).options;
      const isPossible =
        value === null ||
        (hasSeveral && options
          ? options.some((option) => option.value === String(value))
          : valueFor(field, value, set, kinds) !== undefined);
      if (isPossible) continue;
      const values = options?.map((option) => option.value) ?? [];
      const meant = values.length ? `: expected ${list(values)}` : '';
      one.fault(`"${field.id}" never has the value ${nameOf(value)}${meant}.`, {
        suggestion: nearest(String(value), values),
      });
    }
  };
  for (const [i, spot] of at.get('fields').items().entries()) {
    const { when, rules = [] } = set.fields[i]!;
    look(when, spot.get('when'));
    for (const [j, rule] of rules.entries()) look(rule.when, spot.get('rules').items()[j]!.get('when'));
  }
  for (const [i, form] of (set.forms ?? []).entries())
    for (const [j, rule] of (form.rules ?? []).entries())
      look(rule.when, at.get('forms').items()[i]!.get('rules').items()[j]!.get('when'));
}

/** Fields that count only while they count themselves. */
function readCircles(at: Spot, set: SetDocument): void {
  const needs = new Map(set.fields.map(({ id, when }) => [id, when ? fieldsIn(when) : []]));
  const done = new Set<string>();
  const follow = (id: string, path: readonly string[]): readonly string[] | undefined => {
    if (path.includes(id)) return [...path.slice(path.indexOf(id)), id];
    if (done.has(id)) return undefined;
    for (const next of needs.get(id) ?? []) {
      const circle = follow(next, [...path, id]);
      if (circle) return circle;
    }
    done.add(id);
    return undefined;
  };
  for (const [i, { id }] of set.fields.entries()) {
    const circle = follow(id, []);
    if (!circle) continue;
    const spot = at.get('fields').items()[i]!.get('when');
    spot.fault(`In a circle: ${circle.join(' -> ')}. Each would count only while it counts itself.`);
    return;
  }
}
