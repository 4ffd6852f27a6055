import { codesOfChecks, compileCheck, compilerOf } from '../checks/compile.ts';
import type { CheckTable } from '../checks/contract.ts';
import { checks } from '../checks/runs.ts';
import { unknownKind } from '../faults/usage.ts';
import { start } from '../field/apply.ts';
import type { HydratedField } from '../field/kind.ts';
import { sharedText } from '../field/shared-text.ts';
import { type Definition, definitionIn, type KindTable } from '../kinds/contract/definition.ts';
import type { PatternBody } from '../kinds/pattern/body.ts';
import type { PatternPlan } from '../kinds/pattern/plan.ts';
import type { Checks } from '../rules/checks.ts';
import { drawnWords } from '../rules/drawn-words.ts';
import type { Rule } from '../rules/rule.ts';
import { english } from '../rules/wording/english.ts';
import { type Languages, ownOf, sayOf, wordingFor, wordsOf } from '../rules/wording.ts';
import { compileCondition, fieldIn } from './condition.ts';
import type { FieldDocument, RuleDocument, SetDocument } from './document.ts';
import { languageOf } from './language.ts';

/**
 * The messages without `languages`: English. Other languages are fetched when a field needs them
 * (`packages/engine/src/rules/wording`).
 */
const usual: Languages = { en: english };

const noMore: CheckTable = {};

/** The checks of this package with `more`. */
const checksWith = (more: CheckTable): Checks =>
  more === noMore
    ? checks
    : { ...checks, ...Object.fromEntries(Object.entries(more).map(([type, { run }]) => [type, run])) };

/** What compiling a field needs of its set; of other fields only those in its conditions. */
export type SetFacts = Pick<SetDocument, 'locale' | 'language' | 'classes'> &
  Partial<Pick<SetDocument, 'fields'>>;

/**
 * Compiles one field of a set so that it can run. `more` are checks that do not come with this package.
 * Throws `RangeError` if its kind is missing, or if its pattern or a rule has a fault.
 *
 * @example
 * const field = compileField(
 *   { id: 'pass', kind: 'pattern', label: 'Hut pass', entry: { pattern: 'RH-<4 digit>' } },
 *   { locale: 'en-GB' },
 *   kinds,
 * );
 */
export function compileField(
  field: FieldDocument<'pattern'>,
  set: SetFacts,
  kinds: KindTable,
  languages?: Languages,
  more?: CheckTable,
): HydratedField<PatternPlan, PatternBody>;
export function compileField(
  field: FieldDocument,
  set: SetFacts,
  kinds: KindTable,
  languages?: Languages,
  more?: CheckTable,
): HydratedField;
export function compileField(
  field: FieldDocument,
  set: SetFacts,
  kinds: KindTable,
  languages: Languages = usual,
  more: CheckTable = noMore,
): HydratedField {
  const kind = kinds[field.kind];
  if (!kind) throw unknownKind(field.kind);
  const { define, run } = kind;
  // An entry with only default values may be left out.
  const entry = field.entry ?? {};
  const locale = field.locale ?? set.locale;
  const language = languageOf(field, set);
  const rules = (field.rules ?? []).map((rule) => compileRule(rule, field, set, kinds, more));
  const all = (define.isAlwaysWhole ? rules : withOwn(rules)).map((rule) =>
    withWords(rule, field, set, kinds, languages, more),
  );
  const plan = define.plan(entry, {
    id: field.id,
    locale,
    language,
    rules: all,
    classes: set.classes ?? {},
  });
  const drawn = define.draws?.(plan);
  const compiled = {
    id: field.id,
    ...(field.name === undefined || field.name === field.id ? {} : { name: field.name }),
    label: field.label,
    hint: field.hint ?? '',
    placeholder: field.placeholder ?? '',
    locale,
    ...(language === locale ? {} : { language }),
    initial: field.initial ?? sharedInitial(field, set, kinds),
    html: { ...directionOf(define, locale), ...define.attributes?.(entry), ...field.html },
    messages: field.messages ?? 'first',
    ...(field.look ? { look: field.look } : {}),
    ...(drawn?.length
      ? { words: drawnWords(drawn, wordingFor(languages, language), language, english) }
      : {}),
    rules: all,
    ...(field.sameValueAs === undefined ? {} : { sameValueAs: field.sameValueAs }),
    when: field.when && compileCondition(field.when, set, kinds),
    plan,
  };
  return { ...compiled, kind: run, checks: checksWith(more) };
}

/** The initial value of the field whose value this one shares. */
function sharedInitial({ sameValueAs }: FieldDocument, set: SetFacts, kinds: KindTable): string {
  const leader = sameValueAs === undefined ? undefined : set.fields && fieldIn(set.fields, sameValueAs);
  if (!leader?.initial || leader.sameValueAs !== undefined) return '';
  const compiled = compileField(leader, set, kinds);
  return sharedText(compiled, start(compiled).body);
}

/** Scripts that are written from right to left (ISO 15924). */
const rightToLeft: readonly string[] = [
  'Adlm',
  'Arab',
  'Hebr',
  'Mand',
  'Nkoo',
  'Rohg',
  'Samr',
  'Syrc',
  'Thaa',
];

/**
 * The attribute that keeps a structured text readable on a page of the other direction (Unicode, UAX 9).
 * Texts of right-to-left locales follow their page.
 */
function directionOf({ direction }: Definition, locale: string): { readonly dir?: 'ltr' } {
  if (direction === undefined) return {};
  const { script } = new Intl.Locale(locale).maximize();
  return direction === 'locale' && rightToLeft.includes(script ?? '') ? {} : { dir: 'ltr' };
}

/** The rule with the texts of its codes in the language of its field. */
export function withWords(
  rule: Rule,
  field: FieldDocument,
  set: SetFacts,
  kinds: KindTable,
  languages: Languages,
  more: CheckTable,
): Rule {
  const define = definitionIn(kinds, field);
  const language = languageOf(field, set);
  const wording = wordingFor(languages, language);
  const own = {
    ...(define.wording ? wordingFor(define.wording, language) : {}),
    ...ownOf(wording, field.kind),
    ...(define.wordedAs ? ownOf(wording, define.wordedAs) : {}),
  };
  const { [rule.check.type]: entry } = more as Partial<CheckTable>;
  const all = entry ? { ...wordingFor(entry.wording, language), ...wording } : wording;
  const texts = { all, own, known: codesOfChecks };
  return worded(rule, wordsOf(rule.check, compilerOf(rule.check.type, more), texts, language));
}

/**
 * Adds the rule `complete`, which also reports what a kind knows of its values (no such date, unknown
 * number), unless the definition has one. It comes after a leading `required` and before everything that is
 * about a complete value.
 */
function withOwn(rules: readonly Rule[]): readonly Rule[] {
  if (rules.some((rule) => rule.check.type === 'complete')) return rules;
  const own: Rule = { id: 'complete', check: { type: 'complete' }, show: 'leave', severity: 'error' };
  const first = rules[0]?.check.type === 'required' ? 1 : 0;
  return rules.toSpliced(first, 0, own);
}

/**
 * The rule with the texts of its codes. All rules have the same members in one order, present or not: rules
 * of several shapes made each key about a quarter slower (`npm run bench`).
 */
function worded(
  { id, check, show, severity, say, code, when, reads, clears }: Rule,
  words: NonNullable<Rule['words']>,
): Rule {
  return { id, check, show, severity, say, code, words, when, reads, clears };
}

export function compileRule(
  rule: RuleDocument,
  field: FieldDocument,
  set: SetFacts,
  kinds: KindTable,
  more: CheckTable,
): Rule {
  const check = compileCheck(rule.check, definitionIn(kinds, field), more);
  const compiler = compilerOf(check.type, more);
  const reads = (compiler.reads?.(check) ?? []).filter((id) => id !== field.id);
  return {
    id: rule.id,
    check,
    show: rule.show ?? 'leave',
    severity: rule.severity ?? 'error',
    say: rule.say === undefined ? undefined : sayOf(rule.say, rule.check, compiler, languageOf(field, set)),
    code: rule.code,
    when: rule.when && compileCondition(rule.when, set, kinds),
    reads: reads.length ? reads : undefined,
    clears: rule.refused === 'clear' ? true : undefined,
  };
}
