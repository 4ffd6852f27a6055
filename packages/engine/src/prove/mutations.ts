import type { CheckTable } from '../checks/contract.ts';
import { definitionOf } from '../checks/registry.ts';
import type {
  ConditionDocument,
  FieldDocument,
  FormDocument,
  RuleDocument,
  SetDocument,
} from '../document/document.ts';
import { readDocument } from '../document/read-document.ts';
import { type KindTable, kindIn } from '../kinds/contract/definition.ts';
import { entryMutants } from '../kinds/mutants.ts';

/** A set with one change in it. */
export interface SetMutation {
  /** The same for the same change, independent of its neighbours: `mobile/rules/range/3`. */
  readonly id: string;
  readonly target: { readonly type: 'field' | 'form'; readonly id: string };
  /** What was changed, in words: `the rule “range” dropped`. */
  readonly words: string;
  readonly document: SetDocument;
}

/** One way to change something, and the result. */
type Way<T> = readonly [words: string, instead: T];

/** When a message may first be shown, in words. */
const when = { 'at-once': 'while typing', leave: 'on blur', submit: 'on submit' } as const;

/** Every way to break a rule; `undefined`: it is removed. */
function brokenRules<R extends RuleDocument>(rule: R, checks: CheckTable): readonly Way<R | undefined>[] {
  const { say: _, when: __, ...bare } = rule;
  const moments = ['at-once', 'leave', 'submit'] as const;
  const shown = rule.show ?? 'leave';
  const name = `rule “${rule.id}”`;
  return [
    [`${name} dropped`, undefined],
    ...definitionOf(rule.check.type, checks).mutations(rule.check).map(([words, check]): Way<R> => [`${name}: ${words}`, { ...rule, check: check as RuleDocument['check'] }]),
    ...moments.filter((one) => one !== shown).map((show): Way<R> => [`${name}: shown ${when[show]} instead of ${when[shown]}`, { ...rule, show }]),
    [`${name}: ${rule.severity === 'warning' ? 'error instead of warning' : 'warning instead of error'}`, { ...rule, severity: rule.severity === 'warning' ? 'error' : 'warning' }],
    ...(rule.refused ? [[`${name}: ${rule.refused === 'clear' ? 'keeps failing values' : 'clears failing values'}`, { ...rule, refused: rule.refused === 'clear' ? 'keep' : 'clear' }] as Way<R>] : []),
    ...(rule.say ? [[`${name}: message removed`, { ...bare, ...(rule.when ? { when: rule.when } : {}) } as R] as Way<R>] : []),
    ...(rule.when ? [[`${name}: condition removed`, { ...bare, ...(rule.say ? { say: rule.say } : {}) } as R], [`${name}: condition inverted`, { ...rule, when: not(rule.when) }]] as Way<R>[] : []),
  ]; // biome-ignore format: a way a line
}

const not = (when: ConditionDocument): ConditionDocument => ('not' in when ? when.not : { not: when });

/** Rules with one of them broken. */
const brokenLists = <R extends RuleDocument>(rules: readonly R[], checks: CheckTable): readonly Way<readonly R[]>[] =>
  rules.flatMap((rule, i) =>
    brokenRules(rule, checks).map(([words, broken]): Way<readonly R[]> => [words, broken ? rules.with(i, broken) : rules.toSpliced(i, 1)]),
  ); // biome-ignore format: a list of lists

/** Every way to break a field, with the result. */
function brokenFields(
  field: FieldDocument,
  { classes = {} }: SetDocument,
  kinds: KindTable,
  checks: CheckTable,
): readonly Way<FieldDocument>[] {
  const { define } = kindIn(kinds, field.kind);
  const entry = (field.entry ?? {}) as Readonly<Record<string, unknown>>;
  const as = (more: object): FieldDocument => ({ ...field, ...more }) as FieldDocument;
  const { when, initial, ...rest } = field;
  const hasRequired = field.rules?.some(({ check }) => check.type === 'required');
  return [
    ...entryMutants(field.kind, define.options, entry, Object.keys(classes)).map(({ words, entry: broken }): Way<FieldDocument> => [words, as({ entry: broken })]),
    ...brokenLists(field.rules ?? [], checks).map(([words, rules]): Way<FieldDocument> => [words, as({ rules })]),
    ...(hasRequired ? [] : [['made required', as({ rules: [{ id: 'has-to-be', check: { type: 'required' } }, ...(field.rules ?? [])] })] as Way<FieldDocument>]),
    ...(field.messages === 'all' ? [['one message at a time', as({ messages: 'first' })] as Way<FieldDocument>] : []),
    ...(initial ? [['initial value removed', { ...rest, ...(when ? { when } : {}) } as unknown as FieldDocument] as Way<FieldDocument>] : []),
    ...(when ? [['condition removed', { ...rest, ...(initial ? { initial } : {}) } as unknown as FieldDocument], ['condition inverted', as({ when: not(when) })]] as Way<FieldDocument>[] : []),
  ]; // biome-ignore format: a way a line
}

/** Every way to break a form itself, without its fields. */
function brokenForms(form: FormDocument, checks: CheckTable): readonly Way<FormDocument>[] {
  const { completes, ...rest } = form;
  return [
    ...brokenLists(form.rules ?? [], checks).map(([words, rules]): Way<FormDocument> => [words, { ...form, rules }]),
    ...(completes ? [['auto-submit removed', rest] as Way<FormDocument>] : []),
    ...(form.unanswered ? [['unanswered server checks handled the other way', { ...form, unanswered: form.unanswered === 'hold' ? 'let-through' : 'hold' }] as Way<FormDocument>] : []),
  ]; // biome-ignore format: a way a line
}

/**
 * Every sensible way to break a field or a form of a set in one place. Each result can be read: an invalid
 * definition would not be shipped either.
 */
export function mutationsOf(
  document: SetDocument,
  target: SetMutation['target'],
  kinds: KindTable,
  checks: CheckTable = {},
): readonly SetMutation[] {
  const { trials: _, texts: __, ...set } = document;
  const broken: readonly Way<SetDocument>[] =
    target.type === 'field'
      ? set.fields.flatMap((field, i) =>
          field.id === target.id
            ? brokenFields(field, set, kinds, checks).map(([words, one]): Way<SetDocument> => [words, { ...set, fields: set.fields.with(i, one) }])
            : [],
        )
      : (set.forms ?? []).flatMap((form, i) =>
          form.id === target.id
            ? brokenForms(form, checks).map(([words, one]): Way<SetDocument> => [words, { ...set, forms: (set.forms ?? []).with(i, one) }])
            : [],
        );
  return broken
    .filter(([, one]) => readDocument(one, kinds, { checks }).ok)
    .map(([words, one]) => ({ id: `${target.type}/${target.id}: ${words}`, target, words, document: one }));
} // biome-ignore format: a target at a time
