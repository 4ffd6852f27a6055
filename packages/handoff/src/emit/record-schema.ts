import { compileField, type FormDocument, fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { fieldName, type HydratedField } from '@arbeit/engine/field';
import { type KindTable, kindIn, type ValueForm } from '@arbeit/engine/kinds';
import { valueTypesOf } from '@arbeit/engine/value-types';
import { type JsonMember, jsonMemberOf } from './json-record.ts';

/** A JSON Schema (2020-12). */
export type Schema = Readonly<Record<string, unknown>>;

/** The schema of what a form sends: typed values by name of the field. */
export interface RecordSchema {
  /** Id of the form. */
  readonly id: string;
  readonly title: string;
  readonly schema: Schema;
  /** What the form refuses and a schema cannot express, one line each. */
  readonly unsaid: readonly string[];
}

type RuleDocument = NonNullable<SetDocument['fields'][number]['rules']>[number];

/**
 * The schema of a form's record. It accepts every record the form sends and refuses what a schema can; the
 * rest is in `unsaid`. The definitions are in it under `x-arbeit`, so that it can be imported again.
 * `spelling`: of its values as texts, or as `jsonRecord` spells them.
 */
export function recordSchema(
  set: SetDocument,
  form: FormDocument,
  kinds: KindTable,
  spelling: 'texts' | 'json' = 'texts',
): RecordSchema {
  const unsaid: string[] = [];
  const ids = fieldIdsOf(form);
  const own = withinForm(set.fields.filter(({ id }) => ids.includes(id)));
  const properties: Record<string, Schema> = {};
  const required: string[] = [];
  const conditions: Schema[] = [];
  for (const id of ids) {
    // The reader has verified that each of them exists.
    const definition = own.find((field) => field.id === id)!;
    const { values, field } = described(definition, set, kinds);
    const name = fieldName(field);
    const rules = (definition.rules ?? []).filter(({ severity }) => severity !== 'warning');
    const isNeeded = rules.some(({ check, when }) => check.type === 'required' && !when);
    const member = spelling === 'json' ? jsonMemberOf(field) : undefined;
    const said = rules.flatMap((rule) => {
      const one = member ? sayableOf(rule, member) : sayable(rule, values);
      if (one === undefined) unsaid.push(`${field.label}: the rule “${rule.id}” (${rule.check.type})`);
      return one ?? [];
    });
    if (definition.sameValueAs !== undefined)
      unsaid.push(`${field.label}: the same value as “${labelOf(own, definition.sameValueAs)}”`);
    if (member?.form.is === 'number' && member.form.decimals > 0)
      unsaid.push(`${field.label}: at most ${member.form.decimals} decimals`);
    if (values.beyond && member?.form.is !== 'list') unsaid.push(`${field.label}: ${values.beyond}`);
    properties[name] = member
      ? jsonProperty(field, member, values, said, isNeeded)
      : property(field, isNeeded ? answeredOnly(values, field) : values, said, isNeeded);
    if (!definition.when) required.push(name);
    else {
      const condition = conditionOf(definition.when, own, set, kinds, spelling);
      if (condition)
        conditions.push(ifThenElse(condition, { required: [name] }, { properties: { [name]: false } }));
      else unsaid.push(`${field.label}: when it counts`);
    }
  }
  for (const { id, field, severity } of form.rules ?? [])
    if (severity !== 'warning') unsaid.push(`${labelOf(own, field)}: the form’s rule “${id}”`);
  const schema = {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: form.title ?? form.id,
    type: 'object',
    properties,
    required,
    additionalProperties: false,
    ...(conditions.length ? { allOf: conditions } : {}),
    'x-arbeit': { ...set, fields: own, forms: [form] },
  };
  return { id: form.id, title: form.title ?? form.id, schema, unsaid };
}

/**
 * A schema for `if`/`then`/`else` (JSON Schema), built from pairs: an object with a member `then` would look
 * like a promise.
 */
const ifThenElse = (condition: Schema, holds: Schema, otherwise: Schema): Schema =>
  Object.fromEntries([
    ['if', condition],
    ['then', holds],
    ['else', otherwise],
  ]);

/**
 * Fields of a form that do not refer to one outside of it: where the field is missing whose value they have,
 * the first of them has it.
 */
function withinForm(fields: SetDocument['fields']): SetDocument['fields'] {
  const known = new Set(fields.map(({ id }) => id));
  const heirs = new Map<string, string>();
  return fields.map((field) => {
    const { sameValueAs, ...rest } = field;
    if (sameValueAs === undefined || known.has(sameValueAs)) return field;
    const heir = heirs.get(sameValueAs);
    if (heir === undefined) heirs.set(sameValueAs, field.id);
    return (heir === undefined ? rest : { ...rest, sameValueAs: heir }) as typeof field;
  });
}

/** A compiled field with what is known of its values. */
function described(definition: SetDocument['fields'][number], set: SetDocument, kinds: KindTable) {
  const field = compileField(definition, set, kinds);
  const { define } = kindIn(kinds, definition.kind);
  return { field, define, values: valueTypesOf(field.plan).values };
}

/** The value of an empty field: a checkbox that is not ticked says no, everything else nothing. */
const emptyValue = (field: HydratedField): string | null =>
  field.kind.value(field.plan, field.kind.empty(field.plan));

/** The values of a required field: the value of an empty field does not satisfy “required”. */
const answeredOnly = (values: ValueForm, field: HydratedField): ValueForm =>
  values.among ? { ...values, among: values.among.filter((one) => one !== emptyValue(field)) } : values;

function property(
  field: HydratedField,
  { among, expression }: ValueForm,
  said: readonly Schema[],
  isNeeded: boolean,
): Schema {
  const isThere = isNeeded || (among !== undefined && emptyValue(field) !== null);
  return {
    title: field.label,
    ...(field.hint ? { description: field.hint } : {}),
    type: isThere ? 'string' : ['string', 'null'],
    ...(among ? { enum: isThere ? among : [...among, null] } : { minLength: 1 }),
    ...(expression === undefined ? {} : { pattern: `^(?:${expression})$` }),
    ...(said.length ? { allOf: said } : {}),
  };
}

/** The schema of a value that JSON does not spell as a text. */
function jsonProperty(
  field: HydratedField,
  { form, isExact, min, max }: JsonMember,
  { expression }: ValueForm,
  said: readonly Schema[],
  isNeeded: boolean,
): Schema {
  const isThere = isNeeded || emptyValue(field) !== null;
  const types = (...of: readonly string[]) => {
    const all = isThere ? of : [...of, 'null'];
    return all.length === 1 ? all[0] : all;
  };
  const about = { title: field.label, ...(field.hint ? { description: field.hint } : {}) };
  const rules = said.length ? { allOf: said } : {};
  switch (form.is) {
    case 'boolean':
      // The value of an empty field does not satisfy “required”: a box that is not ticked says no.
      return isNeeded && emptyValue(field) === 'no'
        ? { ...about, const: true, ...rules }
        : { ...about, type: types('boolean'), ...rules };
    case 'list':
      return {
        ...about,
        type: 'array',
        items: { enum: form.of },
        uniqueItems: true,
        // Nothing picked is an empty list, which only “required” refuses.
        ...(form.least > 1 || isNeeded ? atLeast(form.least, isNeeded) : {}),
        ...(form.most < form.of.length ? { maxItems: form.most } : {}),
        ...rules,
      };
    default: {
      const most = max ?? (form.digits === undefined ? undefined : 10 ** form.digits - 1);
      const least = form.isSigned ? min : Math.max(0, min ?? 0);
      const limits = {
        ...(least === undefined ? {} : { minimum: least }),
        ...(most === undefined ? {} : { maximum: most }),
      };
      const number = form.decimals === 0 ? 'integer' : 'number';
      const pattern = expression === undefined ? {} : { pattern: `^(?:${expression})$` };
      return isExact
        ? { ...about, type: types(number), ...limits, ...rules }
        : { ...about, type: types(number, 'string'), ...limits, ...pattern, ...rules };
    }
  }
}

/** So many items at least; without “required” none at all is as good. */
const atLeast = (least: number, isNeeded: boolean): Schema =>
  isNeeded ? { minItems: least } : { anyOf: [{ maxItems: 0 }, { minItems: least }] };

/** A rule for a value that is not a text in JSON; `undefined` if no schema can express it. */
function sayableOf(
  { check, when }: RuleDocument,
  { form, isExact }: JsonMember,
): readonly Schema[] | undefined {
  if (check.type === 'required') return when ? undefined : [];
  if (check.type === 'complete') return [];
  // The limits of a range are said with its type (`jsonMemberOf`); a step of decimals cannot be checked
  // exactly.
  const isSaid = check.type === 'range' && form.is === 'number' && isExact && !when && !('step' in check);
  return isSaid ? [] : undefined;
}

const labelOf = (fields: SetDocument['fields'], id: string): string =>
  fields.find((field) => field.id === id)?.label ?? id;

/** A rule as schemas; `undefined` if no schema can express it, because it reads raw values. */
function sayable(
  { check, when }: RuleDocument,
  { expression, isRaw }: ValueForm,
): readonly Schema[] | undefined {
  if (check.type === 'required') return when ? undefined : [];
  // Without a complete value there is no value, which is expressed already.
  if (check.type === 'complete') return [];
  if (when || !isRaw) return undefined;
  switch (check.type) {
    case 'matches':
      return check.flags ? undefined : [{ pattern: `^(?:${check.pattern})$` }];
    case 'in':
      return [{ enum: [...check.values, null] }];
    case 'not-in':
      return [{ not: { enum: check.values } }];
    case 'length': {
      // JSON Schema counts code points, and a field grapheme clusters: they are the same only for ASCII.
      const isAscii = expression !== undefined && !/\\p|\\u|[^\x20-\x7e]|\[\^/.test(expression);
      if (!isAscii) return undefined;
      const { min, max } = check;
      return [
        {
          ...(min === undefined ? {} : { minLength: min }),
          ...(max === undefined ? {} : { maxLength: max }),
        },
      ];
    }
    default:
      return undefined;
  }
}

/** A condition as a schema; `undefined` if it is about more than a picked value. */
function conditionOf(
  when: NonNullable<SetDocument['fields'][number]['when']>,
  fields: SetDocument['fields'],
  set: SetDocument,
  kinds: KindTable,
  spelling: 'texts' | 'json',
): Schema | undefined {
  if (!('field' in when)) return undefined;
  const other = fields.find(({ id }) => id === when.field);
  if (!other) return undefined;
  const { values } = described(other, set, kinds);
  const wanted = (Array.isArray(when.is) ? when.is : [when.is]).map((value) =>
    value === true ? 'yes' : value === false ? 'no' : value,
  );
  const isKnown = wanted.every((value) => typeof value === 'string' && values.among?.includes(value));
  if (!isKnown || values.json?.is === 'list') return undefined;
  const name = fieldName(other);
  const isBoolean = spelling === 'json' && values.json?.is === 'boolean';
  const spelled = isBoolean ? wanted.map((value) => value === 'yes') : wanted;
  return { properties: { [name]: { enum: spelled } }, required: [name] };
}
