import { compileField, type FieldDocument, fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { fieldName, type HydratedField } from '@arbeit/engine/field';
import type { KindTable, ValueForm } from '@arbeit/engine/kinds';
import { numbersIn, valueTypesOf } from '@arbeit/engine/value-types';
import { inLine, inSql, sqlName } from '../escape.ts';
import { sqlExpression } from './sql-expression.ts';

type RuleDocument = NonNullable<FieldDocument['rules']>[number];

/** The domain of a field, and what it cannot check. */
interface Domain {
  readonly id: string;
  readonly name: string;
  readonly label: string;
  /** Conditions on `VALUE`, all of which must hold. */
  readonly checks: readonly string[];
  readonly isNeeded: boolean;
  readonly unsaid: readonly string[];
}

/** PostgreSQL domains as a script, and what they cannot check, one line each. */
export interface SqlDomains {
  readonly sql: string;
  readonly unsaid: readonly string[];
}

/**
 * PostgreSQL domains for the typed values of a set's fields, as `server.js` returns them: texts whose checks
 * come from the definitions. A domain accepts every value that the field can have; what it accepts beyond is
 * in `unsaid`. An empty field is NULL.
 */
export function sqlDomains(set: SetDocument, kinds: KindTable): SqlDomains {
  const taken = new Set<string>();
  const domains = set.fields.map((definition) => domainOf(definition, set, kinds, taken));
  const tables = (set.forms ?? []).flatMap((form) => {
    const own = domains.filter(({ id }) => fieldIdsOf(form).includes(id));
    return own.length > 0 ? ['', ...tableOf(form.title ?? form.id, form.id, own)] : [];
  });
  const sql = [
    `-- PostgreSQL domains of “${inLine(set.title)}”. Made with Arbeit; do not edit.`,
    '-- The values are those of the record that server.js returns. An empty field is NULL.',
    ...domains.flatMap(sqlOf),
    ...tables,
  ];
  const unsaid = domains.flatMap((one) => one.unsaid.map((line) => `${one.label}: ${line}`));
  return { sql: `${sql.join('\n')}\n`, unsaid };
}

const sqlOf = ({ name, label, checks, unsaid }: Domain): readonly string[] => [
  '',
  `-- ${inLine(label)}`,
  ...unsaid.map((line) => `-- Not checked: ${inLine(line)}`),
  checks.length === 0
    ? `CREATE DOMAIN ${name} AS text;`
    : `CREATE DOMAIN ${name} AS text\n  CHECK (${checks.join('\n    AND ')});`,
];

/** A table for the records of a form, as a comment: its names and keys are up to the database. */
const tableOf = (title: string, id: string, own: readonly Domain[]): readonly string[] => [
  `-- A table for “${inLine(title)}”:`,
  `-- CREATE TABLE ${sqlName(id)} (`,
  ...own.map(
    ({ name, isNeeded }, i) =>
      `--   ${name} ${name}${isNeeded ? ' NOT NULL' : ''}${i < own.length - 1 ? ',' : ''}`,
  ),
  '-- );',
];

function domainOf(definition: FieldDocument, set: SetDocument, kinds: KindTable, taken: Set<string>): Domain {
  const field = compileField(definition, set, kinds);
  const { values } = valueTypesOf(field.plan);
  const rules = (definition.rules ?? []).filter(({ severity }) => severity !== 'warning');
  const isNeeded = !definition.when && rules.some(({ check, when }) => check.type === 'required' && !when);
  const unsaid: string[] = [];
  const checks = rules.flatMap((rule) => {
    const said = conditionOf(rule, values);
    if (said === undefined) unsaid.push(`the rule “${rule.id}” (${rule.check.type})`);
    return said ?? [];
  });
  if (values.beyond) unsaid.push(values.beyond);
  const form = formOf(values, field, isNeeded);
  if (form === undefined) unsaid.push('the form of its values');
  let name = sqlName(fieldName(definition));
  for (let n = 2; taken.has(name); n++) name = sqlName(`${fieldName(definition)}_${n}`);
  taken.add(name);
  return {
    id: definition.id,
    name,
    label: field.label,
    checks: [...(form ?? []), ...checks],
    isNeeded,
    unsaid,
  };
}

const among = (values: readonly string[]): string => `VALUE IN (${values.map(inSql).join(', ')})`;
const matching = (expression: string): string => `VALUE ~ ${inSql(`^(?:${expression})$`)}`;

/** Conditions for the form of a value; `undefined` if PostgreSQL cannot express it. */
function formOf(
  { among: all, expression }: ValueForm,
  field: HydratedField,
  isNeeded: boolean,
): readonly string[] | undefined {
  if (all) {
    // The value of an empty field does not satisfy “required”.
    const empty = field.kind.value(field.plan, field.kind.empty(field.plan));
    return [among(all.filter((value) => !isNeeded || value !== empty))];
  }
  if (expression === undefined) return ["VALUE <> ''"];
  const own = sqlExpression(expression);
  return own === undefined ? undefined : [matching(own)];
}

/** Conditions for a rule; `undefined` if it needs more than the value. */
function conditionOf({ check, when }: RuleDocument, values: ValueForm): readonly string[] | undefined {
  if (check.type === 'required') return when ? undefined : [];
  // An incomplete field has no value, so this is checked already.
  if (check.type === 'complete') return [];
  if (when) return undefined;
  if (check.type === 'range') return rangeOf(check, values);
  if (!values.isRaw) return undefined;
  switch (check.type) {
    case 'matches': {
      const own = check.flags ? undefined : sqlExpression(check.pattern);
      return own === undefined ? undefined : [matching(own)];
    }
    case 'in':
      return [among(check.values)];
    case 'not-in':
      return check.values.length > 0 ? [`NOT (${among(check.values)})`] : [];
    default:
      return undefined;
  }
}

/** Bounds of a number, or of a date or time, whose text has the order of its values (ISO 8601). */
function rangeOf(
  { min, max, step }: { readonly min?: unknown; readonly max?: unknown; readonly step?: unknown },
  { type, expression = '' }: ValueForm,
): readonly string[] | undefined {
  const isNumber = type === numbersIn('');
  const form = new RegExp(isNumber ? '^-?\\d+(?:\\.\\d+)?$' : `^(?:${expression})$`, 'u');
  const limits = [min, max].filter((limit) => limit !== undefined).map(String);
  if (!limits.every((limit) => form.test(limit)) || (step !== undefined && !isNumber)) return undefined;
  const value = isNumber ? 'VALUE::numeric' : 'VALUE COLLATE "C"';
  const limit = (bound: unknown): string => (isNumber ? String(bound) : inSql(String(bound)));
  const all = [
    ...(min === undefined ? [] : [`${value} >= ${limit(min)}`]),
    ...(max === undefined ? [] : [`${value} <= ${limit(max)}`]),
    ...(step === undefined ? [] : [`mod(VALUE::numeric, ${step}) = 0`]),
  ];
  if (!isNumber || all.length === 0) return all;
  // The cast of another text would be an error instead of a failed check.
  return [`CASE WHEN VALUE ~ '^-?[0-9]+([.][0-9]+)?$' THEN ${all.join(' AND ')} ELSE false END`];
}
