import type { CheckTable } from '../checks/contract.ts';
import { type HydratedField, withFormat } from '../field/kind.ts';
import type { RunShape } from '../field/shape.ts';
import { type HydratedForm, hydrateForm } from '../form/form.ts';
import type { FormRule } from '../form/form-rule.ts';
import type { KindTable } from '../kinds/contract/definition.ts';
import { customBy, type RunCode } from '../rules/custom.ts';
import { languages as every } from '../rules/wording/all.ts';
import type { Languages } from '../rules/wording.ts';
import { compileField, compileRule, withWords } from './compile-field.ts';
import { type FormDocument, type FormRuleDocument, fieldIdsOf, type SetDocument } from './document.ts';

/** A compiled document. */
export interface CompiledSet {
  readonly fields: readonly HydratedField[];
  readonly forms: readonly HydratedForm[];
}

/**
 * Compiles a document that `readDocument` accepted. `more` are checks that do not come with this package.
 * Throws `RangeError` on what the reader would have refused.
 *
 * @example
 * const { fields, forms } = compile(set, kinds);
 */
export function compile(
  document: SetDocument,
  kinds: KindTable,
  languages: Languages = every,
  more: CheckTable = {},
): CompiledSet {
  const fields = document.fields.map((field) => compileField(field, document, kinds, languages, more));
  const byId = new Map(fields.map((field) => [field.id, field]));
  const forms = (document.forms ?? []).map((form) =>
    compileForm(form, byId, document, kinds, languages, more),
  );
  return { fields, forms };
}

/** Functions that run developers' code: custom checks and custom formats. */
export interface RunCustomCode {
  readonly check: RunCode;
  readonly shape: RunShape;
}

/**
 * Whether a set contains developers' code: a custom format, or a rule with a custom check.
 *
 * @example
 * const needsSandbox: boolean = hasCustomCode(set, kinds);
 */
export function hasCustomCode({ fields, forms = [] }: SetDocument, kinds: KindTable): boolean {
  const rules = [...fields, ...forms].flatMap((one) => one.rules ?? []);
  return (
    fields.some(({ kind }) => kinds[kind]?.run.withFormat) ||
    rules.some(({ check }) => check.type === 'custom')
  );
}

/**
 * The compiled set with functions that run developers' code. Fields without such code stay the same objects.
 *
 * @example
 * const running = withCustomCode(compile(set, kinds), { check: runCheck, shape: runShape });
 */
export function withCustomCode({ fields, forms }: CompiledSet, run: RunCustomCode): CompiledSet {
  const custom = customBy(run.check);
  const hasCode = ({ id, rules }: HydratedField): boolean =>
    [...rules, ...forms.flatMap((form) => form.rulesAt.get(id) ?? [])].some(
      ({ check }) => check.type === 'custom',
    );
  const running = fields.map((field) => {
    const shaped = withFormat(field, run.shape);
    return hasCode(field) ? { ...shaped, checks: { ...field.checks, custom } } : shaped;
  });
  if (running.every((field, i) => field === fields[i])) return { fields, forms };
  const byId = new Map(running.map((field) => [field.id, field]));
  return {
    fields: running,
    forms: forms.map((form) =>
      hydrateForm({ ...form, fields: form.fields.map((field) => byId.get(field.id) ?? field) }),
    ),
  };
}

/** Compiles one form of a set. `byId` are the compiled fields of the set. */
export const compileForm = (
  form: FormDocument,
  byId: ReadonlyMap<string, HydratedField>,
  document: SetDocument,
  kinds: KindTable,
  languages: Languages = every,
  more: CheckTable = {},
): HydratedForm =>
  hydrateForm({
    id: form.id,
    title: form.title ?? form.id,
    // The reader has verified that each of them exists.
    fields: fieldIdsOf(form).map((id) => byId.get(id)!),
    rules: [...(form.rules ?? []), ...sameValueRules(form, document)].map((rule) =>
      compileFormRule(rule, document, kinds, languages, more),
    ),
    submit: form.submit ?? 'always',
    completes: form.completes ?? null,
    unanswered: form.unanswered ?? 'hold',
  });

/**
 * The rules that fields which share a value are the same: a record without them may come from a page without
 * scripts, and one field may hold what another cannot.
 */
function sameValueRules(form: FormDocument, set: SetDocument): readonly FormRuleDocument[] {
  const leaders = new Map(set.fields.flatMap((one) => (one.sameValueAs ? [[one.id, one.sameValueAs]] : [])));
  if (leaders.size === 0) return [];
  const firsts = new Map<string, string>();
  return fieldIdsOf(form).flatMap((id): readonly FormRuleDocument[] => {
    const leader = leaders.get(id) ?? id;
    const first = firsts.get(leader);
    if (first === undefined) firsts.set(leader, id);
    if (first === undefined) return [];
    return [{ id: `${id}-same-value`, field: id, check: { type: 'compare', op: 'same', field: first } }];
  });
}

/** A rule of a form with texts in the language of the field that shows its message. */
function compileFormRule(
  rule: FormRuleDocument,
  set: SetDocument,
  kinds: KindTable,
  languages: Languages,
  more: CheckTable,
): FormRule {
  // The reader has verified that it exists.
  const field = set.fields.find(({ id }) => id === rule.field)!;
  const compiled = compileRule(rule, field, set, kinds, more);
  const worded = withWords(compiled, field, set, kinds, languages, more);
  return { ...worded, field: rule.field };
}
