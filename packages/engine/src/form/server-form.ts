import { expectedRecord, notAllowed } from '../faults/usage.ts';
import { fieldName } from '../field/field-name.ts';
import { joinValues } from '../field/picked.ts';
import { conceals } from '../rules/said.ts';
import type { FieldFinding } from './apply.ts';
import { type Asker, type CheckedRecord, checkRecord, type NameIn } from './check-record.ts';
import type { HydratedForm } from './form.ts';
import type { Values } from './sending.ts';
import { type LanguageTexts, translateForm } from './translate.ts';

/** What the server's side of a form needs: its clock, and who answers the fields' questions. */
export interface AtServer {
  /** ISO 8601. */
  readonly today: string;
  /** Without it, every question stays unanswered. */
  readonly ask?: Asker;
  /** The language of the findings, if it is not that of the form. */
  readonly texts?: LanguageTexts;
}

/** A result of a Standard Schema (version 1): typed values, or issues with the name of the field as path. */
export type StandardResult<V> =
  | { readonly value: V; readonly issues?: undefined }
  | { readonly issues: readonly { readonly message: string; readonly path: readonly string[] }[] };

/** A form as a Standard Schema (version 1), for routers, form libraries and server actions. */
export interface StandardForm<V extends Values = Values> {
  readonly '~standard': {
    readonly version: 1;
    readonly vendor: 'arbeit';
    readonly validate: (value: unknown) => Promise<StandardResult<V>>;
    /** Exists in types only. */
    readonly types?: { readonly input: RawRecord; readonly output: V };
  };
}

/** A record as it is sent to a server: raw or typed values by name of the field, or as JSON has them. */
export type RawRecord = {
  readonly [name: string]: string | number | boolean | readonly string[] | null | undefined;
};

/** The server's side of a form. */
export interface ServerForm<V extends Values = Values> {
  /**
   * Checks a record with the rules of the page: an object by name of the field, `FormData` or
   * `URLSearchParams`. A JSON number, a boolean or a list counts as its text.
   * Unknown names are listed in `ignored`. Any other input is refused with a finding. Never throws.
   */
  check(record: unknown, at: AtServer): Promise<CheckedRecord<V>>;
  /**
   * What was sent, to fill the form again: raw values by name, without those of concealed fields. For a
   * page that is drawn on the server. Any other input gives nothing.
   */
  refill(record: unknown): Readonly<Record<string, string>>;
  /** The same as a Standard Schema. `today` is called at each check. */
  standard(at: Omit<AtServer, 'today'> & { readonly today: () => string }): StandardForm<V>;
}

/**
 * Messages in the language of a form for findings that only a server has. `not-allowed`: a value that the
 * field could not contain, or that is not a text.
 */
export interface ServerTexts {
  readonly 'not-allowed': string;
}

const english: ServerTexts = { 'not-allowed': notAllowed };

/**
 * The checks of a form for a server: no page, no clock and no locale service. Also as a Standard Schema
 * (version 1).
 *
 * @example
 * const checked = await serverForm(booking).check(new FormData(), { today: '2027-02-10' });
 */
export function serverForm<V extends Values = Values>(
  form: HydratedForm<V>,
  texts: ServerTexts = english,
): ServerForm<V> {
  const check = async (
    record: unknown,
    { today, ask, texts: other }: AtServer,
  ): Promise<CheckedRecord<V>> => {
    const sent = rawIn(form, record);
    if (sent === undefined)
      return {
        ok: false,
        findings: [{ field: '', code: 'not-allowed', message: expectedRecord }],
      };
    // Files and other non-text values under unknown names are ignored, like unknown texts.
    const strange = sent.strange.filter((name) => form.named.has(name));
    const findings: FieldFinding<NameIn<V>>[] = strange.map((field) => ({
      field: field as NameIn<V>,
      code: 'not-allowed',
    }));
    const spoken = other ? translateForm(form, other) : form;
    const checked = await checkRecord(spoken, sent.raw, today, ask);
    if (findings.length === 0 && checked.ok)
      return {
        ...checked,
        ignored: [...checked.ignored, ...sent.strange.filter((name) => !strange.includes(name))],
      };
    // A value that was not a text was not checked, so other findings for its field are meaningless.
    const others = checked.ok ? [] : checked.findings.filter(({ field }) => !strange.includes(field));
    return { ok: false, findings: [...findings, ...others].map((one) => said(one, other?.server ?? texts)) };
  };
  return {
    check,
    refill(record) {
      const { raw = {} } = rawIn(form, record) ?? {};
      const shown = form.fields.filter(({ plan }) => !conceals(plan)).map(fieldName);
      const sent = shown.filter((name) => Object.hasOwn(raw, name));
      return Object.fromEntries(sent.map((name) => [name, raw[name] ?? '']));
    },
    standard: ({ today, ...at }) => ({
      '~standard': {
        version: 1,
        vendor: 'arbeit',
        async validate(value) {
          const checked = await check(value, { today: today(), ...at });
          if (checked.ok) return { value: checked.record.values };
          return {
            issues: checked.findings.map(({ field, code, message }) => ({
              message: message ?? `${labelIn(form, field)}: ${code}`,
              path: field ? [field] : [],
            })),
          };
        },
      },
    }),
  };
}

/** A finding with its message: a rule brings its own, and what no field could contain has one per form. */
const said = <F extends string>(finding: FieldFinding<F>, texts: ServerTexts): FieldFinding<F> =>
  finding.message === undefined && finding.code === 'not-allowed'
    ? { ...finding, message: texts['not-allowed'] }
    : finding;

const labelIn = <V extends Values>(form: HydratedForm<V>, name: string): string =>
  form.fields.find((field) => fieldName(field) === name)?.label ?? name;

/**
 * A value of a record as texts: as it is, or as JSON has it: a number, `true` and `false` for yes and no, a
 * list of values. `undefined` for anything else, such as a file.
 */
function textsOf(value: unknown): readonly string[] | undefined {
  if (typeof value === 'string') return [value];
  if (typeof value === 'boolean') return [value ? 'yes' : 'no'];
  if (typeof value === 'number') return Number.isFinite(value) ? [String(value)] : undefined;
  return Array.isArray(value) && value.every((one) => typeof one === 'string') ? value : undefined;
}

/**
 * Raw values by name. Several entries with one name become one value, as a field with several choices has it
 * (HTML, entry list). Fields with something other than text are returned separately.
 */
function rawIn(
  form: HydratedForm,
  record: unknown,
): { raw: Record<string, string>; strange: readonly string[] } | undefined {
  if (typeof record !== 'object' || record === null || Array.isArray(record)) return undefined;
  const isPairs = 'getAll' in record && Symbol.iterator in record;
  const entries = isPairs ? [...(record as Iterable<readonly [string, unknown]>)] : Object.entries(record);
  const sent = new Map<string, string[]>();
  const strange: string[] = [];
  for (const [name, value] of entries) {
    if (value === null || value === undefined) continue;
    const texts = textsOf(value);
    const before = sent.get(name);
    if (texts === undefined) strange.push(name);
    else if (before) before.push(...texts);
    else sent.set(name, [...texts]);
  }
  // A field may have the name of a member that every object has.
  const raw: Record<string, string> = Object.create(null);
  const several: [name: string, texts: readonly string[]][] = [];
  for (const [name, texts] of sent)
    if (texts.length === 1) raw[name] = texts[0]!;
    else several.push([name, texts.filter((text) => text !== '')]);
  if (several.length > 0) {
    const fields = new Map(form.fields.map((field) => [fieldName(field), field]));
    for (const [name, texts] of several) {
      const field = fields.get(name);
      raw[name] = field ? joinValues(field, texts) : texts.join(' ');
    }
  }
  return { raw, strange };
}
