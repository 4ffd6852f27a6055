import { type Cursor, list, nameOf } from '../faults/cursor.ts';
import { say } from '../faults/say.ts';
import { documentTexts } from '../faults/texts.ts';
import { fieldName } from '../field/field-name.ts';
import { definitionIn, type KindTable, kindIn } from '../kinds/contract/definition.ts';
import { valuesOf } from './condition.ts';
import {
  type ConditionDocument,
  type ConditionValue,
  type FieldDocument,
  fieldIdsOf,
  type RuleDocument,
  type SetDocument,
} from './document.ts';

/** A place that refers to another field: which field, and where. */
interface Reference {
  readonly field: string;
  readonly at: Cursor;
}

/**
 * Checks what fields, rules and forms say about other fields: that they exist, can be compared, can have the
 * values of conditions, are in the same form, and do not depend on themselves. Only called for documents that
 * are valid otherwise.
 */
export function readReferences(at: Cursor, kinds: KindTable): void {
  // It has been read and is valid.
  const set = at.value as SetDocument;
  const before = at.faults.length;
  const byId = new Map(set.fields.map((field) => [field.id, field]));
  const needs = new Map<string, readonly Reference[]>();
  for (const [i, spot] of at.get('fields').items().entries()) {
    const field = set.fields[i]!;
    const all = [
      ...conditionsIn(field.when, spot.get('when')),
      ...(field.rules ?? []).flatMap((rule, j) =>
        speaksOfOthers(rule) ? referencesOf(rule, spot.get('rules').item(j)) : [],
      ),
    ];
    if (all.length > 0) needs.set(field.id, all);
    for (const { field: id, at: place } of all)
      if (!byId.has(id))
        place.fault(say(documentTexts, 'unknown-field', { id }), {
          suggestion: place.meant(id, byId.keys()),
        });
    if (field.sameValueAs !== undefined) readSharedValue(field, byId, spot.get('sameValueAs'), kinds);
    for (const [j, rule] of (field.rules ?? []).entries())
      readComparison(rule, field, byId, () => spot.get('rules').item(j), kinds);
  }
  for (const [i, spot] of (set.forms ? at.get('forms').items() : []).entries()) {
    const form = set.forms![i]!;
    const own = new Set(fieldIdsOf(form));
    readNames(own, byId, spot);
    for (const id of own)
      for (const one of needs.get(id) ?? [])
        if (byId.has(one.field) && !own.has(one.field))
          spot.fault(say(documentTexts, 'needed-field-not-in-form', { needed: one.field, id }), {
            suggestion: one.field,
          });
    for (const [j, rule] of (form.rules ?? []).entries()) {
      const place = spot.get('rules').item(j);
      for (const { field, at: where } of [
        { field: rule.field, at: place.get('field') },
        ...referencesOf(rule, place),
      ])
        if (!own.has(field))
          where.fault(say(documentTexts, 'field-not-in-form', { id: field }), {
            suggestion: where.meant(field, own),
          });
      const field = byId.get(rule.field);
      if (field) readComparison(rule, field, byId, () => place, kinds);
    }
  }
  if (at.faults.length > before) return;
  readValues(at, set, byId, kinds);
  readCircles(at, set);
}

/**
 * Checks that each field of a form is known by one name: no other field has it as its name or id.
 */
function readNames(own: ReadonlySet<string>, byId: ReadonlyMap<string, FieldDocument>, form: Cursor): void {
  const known = new Map<string, string>();
  for (const id of own) {
    const field = byId.get(id);
    if (!field) continue;
    for (const name of new Set([id, fieldName(field)])) {
      const one = known.get(name);
      if (one !== undefined) form.fault(say(documentTexts, 'name-twice', { one, other: id, name }));
      else known.set(name, id);
    }
  }
}

/** Checks that a field shares the value of another field of its kind, which shares the value of no third. */
function readSharedValue(
  field: FieldDocument,
  byId: ReadonlyMap<string, FieldDocument>,
  at: Cursor,
  kinds: KindTable,
): void {
  const { id, kind, sameValueAs = '' } = field;
  const other = byId.get(sameValueAs);
  if (sameValueAs === id) at.fault(say(documentTexts, 'same-value-as-itself'));
  else if (!other)
    at.fault(say(documentTexts, 'unknown-field', { id: sameValueAs }), {
      suggestion: at.meant(sameValueAs, byId.keys()),
    });
  else if (other.kind !== kind) {
    const [own, its] = [field, other].map((one) => definitionIn(kinds, one)!.name);
    at.fault(say(documentTexts, 'same-value-other-kind', { own: own!, other: its! }));
  } else if (other.sameValueAs !== undefined)
    at.fault(say(documentTexts, 'same-value-chain', { id: other.id, leader: other.sameValueAs }), {
      suggestion: other.sameValueAs,
    });
}

/** Whether a rule can refer to other fields. */
const speaksOfOthers = ({ check, when }: RuleDocument): boolean =>
  when !== undefined || check.type === 'compare' || 'with' in check;

/** The other fields a rule refers to. */
function referencesOf(rule: RuleDocument, at: Cursor): readonly Reference[] {
  const { check } = rule;
  const named = 'with' in check ? (check.with ?? []) : [];
  return [
    ...(check.type === 'compare' ? [{ field: check.field, at: at.get('check').get('field') }] : []),
    ...named.map((field, i) => ({ field, at: at.get('check').get('with').item(i) })),
    ...conditionsIn(rule.when, at.get('when')),
  ];
}

/** The fields a condition refers to, with their places. */
function conditionsIn(when: ConditionDocument | undefined, at: Cursor): readonly Reference[] {
  if (!when) return [];
  if ('not' in when) return conditionsIn(when.not, at.get('not'));
  if ('field' in when) return [{ field: when.field, at: at.get('field') }];
  const key = 'all' in when ? 'all' : 'any';
  const all = 'all' in when ? when.all : when.any;
  return all.flatMap((one, i) => conditionsIn(one, at.get(key).item(i)));
}

/** The ids of the fields a condition refers to. */
function fieldsIn(when: ConditionDocument): readonly string[] {
  if ('field' in when) return [when.field];
  if ('not' in when) return fieldsIn(when.not);
  return ('all' in when ? when.all : when.any).flatMap(fieldsIn);
}

/** Checks that two fields can be compared: different fields with comparable values. */
function readComparison(
  { check }: RuleDocument,
  field: FieldDocument,
  byId: ReadonlyMap<string, FieldDocument>,
  at: () => Cursor,
  kinds: KindTable,
): void {
  if (check.type !== 'compare') return;
  const other = byId.get(check.field);
  const where = at().get('check').get('field');
  if (check.field === field.id) where.fault(say(documentTexts, 'compared-with-itself'));
  if (!other || check.op === 'same' || check.op === 'differs') return;
  const [own, its] = [field, other].map((one) => definitionIn(kinds, one));
  if (own!.comparable === its!.comparable) return;
  const isAlike = (one: FieldDocument): boolean =>
    one.id !== field.id && definitionIn(kinds, one).comparable === own!.comparable;
  const alike = where.isFull ? undefined : [...byId.values()].find(isAlike);
  where.fault(say(documentTexts, 'not-comparable', { own: own!.name, other: its!.name, op: check.op }), {
    suggestion: alike?.id,
  });
}

/** Checks that a field can have the value of a condition; otherwise the condition would never hold. */
function readValues(
  at: Cursor,
  set: SetDocument,
  byId: ReadonlyMap<string, FieldDocument>,
  kinds: KindTable,
): void {
  const canBe = possibleValues(set, kinds);
  const look = (when: ConditionDocument, spot: Cursor): void => {
    if ('not' in when) look(when.not, spot.get('not'));
    if ('all' in when) for (const [i, one] of when.all.entries()) look(one, spot.get('all').item(i));
    if ('any' in when) for (const [i, one] of when.any.entries()) look(one, spot.get('any').item(i));
    if (!('field' in when)) return;
    const field = byId.get(when.field)!;
    const is = spot.get('is');
    for (const one of Array.isArray(is.value) ? is.items() : [is]) {
      const value = one.value as ConditionValue;
      if (canBe(field, value, one.isFull)) continue;
      const { options } = (field.entry ?? {}) as Options;
      const values = (!one.isFull && options?.map((option) => option.value)) || [];
      const told = { value: nameOf(value), id: field.id };
      const said = values.length
        ? say(documentTexts, 'impossible-value/choice', { ...told, known: list(values) })
        : say(documentTexts, 'impossible-value', told);
      one.fault(said, {
        suggestion: one.meant(String(value), values),
      });
    }
  };
  for (const [i, { when, rules = [] }] of set.fields.entries()) {
    const spot = (): Cursor => at.get('fields').item(i);
    if (when) look(when, spot().get('when'));
    for (const [j, rule] of rules.entries())
      if (rule.when) look(rule.when, spot().get('rules').item(j).get('when'));
  }
  for (const [i, { rules = [] }] of (set.forms ?? []).entries())
    for (const [j, rule] of rules.entries())
      if (rule.when) look(rule.when, at.get('forms').item(i).get('rules').item(j).get('when'));
}

type Options = { readonly options?: readonly { readonly value: string }[] };

type CanBe = (field: FieldDocument, value: ConditionValue, isFull: boolean) => boolean;

/**
 * A function that returns whether a field can have a value. What it needs per field is computed once. After
 * enough faults, labels of choices are no longer searched for suggestions.
 */
function possibleValues(set: SetDocument, kinds: KindTable): CanBe {
  const made = new Map<FieldDocument, (written: string, isFull: boolean) => boolean>();
  const make = (field: FieldDocument) => {
    const { options } = (field.entry ?? {}) as Options;
    const values = options && new Set(options.map(({ value }) => value));
    const hasSeveral = kindIn(kinds, field.kind).run.separator !== undefined;
    const typed = valuesOf(field, set, kinds);
    return (written: string, isFull: boolean): boolean =>
      values?.has(written) || (!(values && (hasSeveral || isFull)) && typed(written) !== undefined);
  };
  return (field, value, isFull) => {
    if (value === null) return true;
    const isPossible = made.get(field) ?? make(field);
    made.set(field, isPossible);
    return isPossible(String(value), isFull);
  };
}

/**
 * Reports fields whose conditions depend on themselves. Iterative: a chain may be as long as the document.
 */
function readCircles(at: Cursor, set: SetDocument): void {
  const needs = new Map(set.fields.map(({ id, when }) => [id, when ? fieldsIn(when) : []]));
  const done = new Set<string>();
  for (const [i, { id }] of set.fields.entries()) {
    const circle = circleFrom(id, needs, done);
    if (!circle) continue;
    const spot = at.get('fields').item(i).get('when');
    spot.fault(say(documentTexts, 'circular-condition', { circle: shortened(circle) }));
    return;
  }
}

/**
 * The circle that starts from a field, its first field repeated at the end. `done` are fields that were
 * followed to the end.
 */
function circleFrom(
  start: string,
  needs: ReadonlyMap<string, readonly string[]>,
  done: Set<string>,
): readonly string[] | undefined {
  if (done.has(start)) return undefined;
  /** Fields of the current chain, each with the number of dependencies that were followed. */
  const way = [{ id: start, next: 0 }];
  const onWay = new Map([[start, 0]]);
  for (let last = way.at(-1); last; last = way.at(-1)) {
    const next = needs.get(last.id)?.[last.next++];
    if (next === undefined) {
      way.pop();
      onWay.delete(last.id);
      done.add(last.id);
      continue;
    }
    const from = onWay.get(next);
    if (from !== undefined) return [...way.slice(from).map(({ id }) => id), next];
    if (done.has(next)) continue;
    onWay.set(next, way.length);
    way.push({ id: next, next: 0 });
  }
  return undefined;
}

/** The beginning of a circle, as long as a message shows it. */
function shortened(circle: readonly string[]): string {
  const all = circle.length > 12 ? [...circle.slice(0, 6), '…', ...circle.slice(-3)] : circle;
  return all.join(' -> ');
}
