import type { CompiledSet, SetDocument } from '@arbeit/engine/document';
import { fieldName } from '@arbeit/engine/field';
import type { HydratedForm } from '@arbeit/engine/form';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import { valueTypesOf } from '@arbeit/engine/value-types';
import { inComment } from './escape.ts';
import { type Import, written } from './imports.ts';
import { camel, capital, head, keyOf, namesIn, recordName } from './names.ts';

/**
 * The types of a compiled module: for each field its possible values (an amount is a decimal, a choice is one
 * of its options), for each form its record. `at` is where the types of a package are imported from.
 */
export function moduleTypes(
  set: SetDocument,
  { fields, forms }: CompiledSet,
  kinds: KindTable,
  at: (from: string) => string,
): string {
  const nameOf = namesIn(set);
  const runs = new Map<string, Import>();
  const types: string[] = [];
  for (const { id, label, plan } of fields) {
    // The module itself has verified that each of them ships.
    const { ships = '' } = kindIn(kinds, plan.kind);
    const run = `${camel(ships)}Kind`;
    runs.set(ships, { from: `@arbeit/engine/runs/${ships}`, name: camel(ships), as: run });
    const name = nameOf(id);
    const value = `${capital(name)}Value`;
    types.push(
      `/** The values of “${inComment(label)}”. */`,
      `export type ${value} = ${valueTypesOf(plan).values.type};`,
      `/** ${inComment(label)} */`,
      `export declare const ${name}: FieldOf<typeof ${run}, ${value}>;`,
    );
  }
  for (const form of forms) {
    const name = nameOf(`${form.id}-form`);
    const record = recordName(name);
    types.push(
      ...recordType(form, record, nameOf),
      `/** ${inComment(form.title)} */`,
      `export declare const ${name}: HydratedForm<${record}>;`,
    );
  }
  const imports = [
    { from: '@arbeit/engine/field', name: 'FieldOf' },
    ...(forms.length ? [{ from: '@arbeit/engine/form', name: 'HydratedForm' }] : []),
    ...[...runs].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, run]) => run),
  ];
  return `${head(set.title)}${[...written(imports, 'import type', at), '', ...types].join('\n')}\n`;
}

/** The type of a form's record: a required field has a value, a field with a condition may be missing. */
function recordType(form: HydratedForm, name: string, nameOf: (id: string) => string): readonly string[] {
  const members = form.fields.flatMap((field) => {
    const { id, label, when, rules } = field;
    const isNeeded = rules.some(
      (rule) => rule.check.type === 'required' && rule.severity === 'error' && !rule.when,
    );
    const value = `${capital(nameOf(id))}Value${isNeeded ? '' : ' | null'}`;
    return [
      `  /** ${inComment(label)} */`,
      `  readonly ${keyOf(fieldName(field))}${when ? '?' : ''}: ${value};`,
    ];
  });
  return [
    `/** What “${inComment(form.title)}” sends, by name of the field. */`,
    `export type ${name} = {`,
    ...members,
    '};',
  ];
}
