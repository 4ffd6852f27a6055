import { fieldName, type HydratedField } from '@arbeit/engine/field';
import type { HydratedForm, JsonType } from '@arbeit/engine/form';
import { type JsonForm, valueTypesOf } from '@arbeit/engine/value-types';
import { inComment, inScript } from '../escape.ts';
import { listed } from '../imports.ts';
import { keyOf } from '../names.ts';
import type { Module } from './modules.ts';

/** How JSON spells the values of a field. */
export interface JsonMember {
  readonly form: JsonForm;
  /** Whether each number survives exactly; other fields have texts among their values. Of numbers only. */
  readonly isExact: boolean;
  /** Limits of a number by rules that are errors; missing if there is none. */
  readonly min?: number;
  readonly max?: number;
}

/** Digits of a decimal that a double always holds exactly (IEEE 754, binary64). */
const exactDigits = 15;

/** Decimals up to which JavaScript writes a number without an exponent (ECMAScript, Number::toString). */
const plainDecimals = 6;

const digitsIn = (decimal: string): number => decimal.replace(/^-/, '').split('.')[0]!.length;

/** The strictest of some limits; `undefined` without any. */
const strictest = (
  limits: readonly string[],
  isStricter: (a: number, b: number) => boolean,
): string | undefined =>
  limits.reduce<string | undefined>(
    (best, one) => (best === undefined || isStricter(Number(one), Number(best)) ? one : best),
    undefined,
  );

/** How JSON spells the values of a field; `undefined` for texts. */
export function jsonMemberOf({ plan, rules }: HydratedField): JsonMember | undefined {
  const form = valueTypesOf(plan).values.json;
  if (form?.is !== 'number') return form && { form, isExact: false };
  /** Limits of all rules: each of them holds. */
  const limits: Record<'min' | 'max', string[]> = { min: [], max: [] };
  for (const { check, severity, when } of rules) {
    if (check.type !== 'range' || severity !== 'error' || when) continue;
    for (const end of ['min', 'max'] as const) {
      const limit: unknown = (check as Readonly<Record<string, unknown>>)[end];
      if (typeof limit === 'string' && /^-?\d+(?:\.\d+)?$/.test(limit)) limits[end].push(limit);
    }
  }
  const min = strictest(limits.min, (a, b) => a > b);
  const max = strictest(limits.max, (a, b) => a < b);
  const most = min === undefined || max === undefined ? form.digits : Math.max(digitsIn(min), digitsIn(max));
  return {
    form,
    isExact: most !== undefined && most + form.decimals <= exactDigits && form.decimals <= plainDecimals,
    ...(min === undefined ? {} : { min: Number(min) }),
    ...(max === undefined ? {} : { max: Number(max) }),
  };
}

/** The fields of a form whose values JSON does not spell as texts, by name. */
export const jsonTypesOf = (form: HydratedForm): Readonly<Record<string, JsonType>> =>
  Object.fromEntries(
    form.fields.flatMap((field) => {
      const member = jsonMemberOf(field);
      if (!member) return [];
      const { form: spelled } = member;
      const type = spelled.is === 'list' && spelled.between === '\n' ? 'lines' : spelled.is;
      return [[fieldName(field), type] as const];
    }),
  );

/** A member of the type of a record in JSON. `record` is the type of the record with texts. */
function memberIn(record: string, field: HydratedField): string {
  const { when } = field;
  const name = fieldName(field);
  const given = `${record}[${inScript(name)}]`;
  const texts = when ? `Exclude<${given}, undefined>` : given;
  return `  readonly ${keyOf(name)}${when ? '?' : ''}: ${typeIn(field, texts)};`;
}

function typeIn(field: HydratedField, texts: string): string {
  const member = jsonMemberOf(field);
  if (!member) return texts;
  const { form, isExact } = member;
  if (form.is === 'list')
    return `readonly (${form.of.map((value) => inScript(value)).join(' | ') || 'never'})[]`;
  const nothing = isAnswered(field) ? '' : ' | null';
  if (form.is === 'boolean') return `boolean${nothing}`;
  return isExact ? `number${nothing}` : `number | ${texts}`;
}

/** Whether a record that is sent always has a value of the field, if it has the field. */
const isAnswered = ({ rules, kind, plan }: HydratedField): boolean =>
  kind.value(plan, kind.empty(plan)) !== null ||
  rules.some(({ check, severity, when }) => check.type === 'required' && severity === 'error' && !when);

/** A form as `json.js` names it. */
interface NamedForm {
  readonly form: HydratedForm;
  readonly stem: string;
}

/** `json.js`: for each form, its record as JSON spells it. */
export function jsonModule(forms: readonly NamedForm[]): Module {
  const lines = (...all: readonly string[]): string => `${all.join('\n')}\n`;
  const records = forms.map(({ stem }) => `${stem}Record`);
  return {
    js: lines(
      listed('import', ['jsonRecord'], './run-time/json.js'),
      '',
      ...forms.map(
        ({ form, stem }) =>
          `export const json${stem} = (values) => jsonRecord(${JSON.stringify(jsonTypesOf(form))}, values);`,
      ),
    ),
    dts: lines(
      listed('import type', records, './fields.js'),
      '',
      ...forms.flatMap(({ form, stem }) => [
        `/** The record of “${inComment(form.title)}” as JSON spells it: booleans, numbers and lists in place of their texts. */`,
        `export type ${stem}Json = {`,
        ...form.fields.flatMap((field) => [
          `  /** ${inComment(field.label)} */`,
          memberIn(`${stem}Record`, field),
        ]),
        '};',
        `/** Spells the values of a record of “${inComment(form.title)}” as JSON does. \`server.js\` reads both spellings. */`,
        `export declare const json${stem}: (values: ${stem}Record) => ${stem}Json;`,
      ]),
    ),
  };
}
