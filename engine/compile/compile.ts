import '../run/kinds.ts';
import type { BoxesPlan } from '../run/boxes.ts';
import { canonical } from '../run/decimal.ts';
import type { Check, CompiledField, CompiledForm, PatternField, Plan, Rule } from '../run/plan.ts';
import { planDate, planDuration, planTime } from './date.ts';
import type { CheckDocument, FieldDocument, KindName, RuleDocument, SetDocument } from './document.ts';
import { parseExpression } from './expression.ts';
import { parseNotation } from './notation.ts';
import { planNumber } from './number.ts';
import { defaultEntry, planPattern } from './pattern.ts';
import { planPhone } from './phone.ts';

/** A document ready to run. */
export interface CompiledSet {
  readonly fields: readonly CompiledField[];
  readonly forms: readonly CompiledForm[];
}

/** Compiles a checked document. Throws `RangeError` on what `readDocument` would have refused. */
export function compile(document: SetDocument): CompiledSet {
  const fields = document.fields.map((field) => compileField(field, document));
  const forms = (document.forms ?? []).map((form) => ({
    id: form.id,
    title: form.title ?? form.id,
    fields: form.fields.map((id) => fields.find((field) => field.id === id)!),
  }));
  return { fields, forms };
}

type SetFacts = Pick<SetDocument, 'locale' | 'classes'>;

/** Compiles one field of a set. Throws `RangeError` when its pattern or a rule has a fault. */
export function compileField(field: FieldDocument<'pattern'>, set: SetFacts): PatternField;
export function compileField(field: FieldDocument, set: SetFacts): CompiledField;
export function compileField(given: FieldDocument, set: SetFacts): CompiledField {
  // An entry of usual values may be left out.
  const field = given.entry === undefined ? ({ ...given, entry: {} } as FieldDocument) : given;
  const locale = field.locale ?? set.locale;
  const rules = withOwn(field.kind, (field.rules ?? []).map(compileRule));
  return {
    id: field.id,
    label: field.label,
    hint: field.hint ?? '',
    placeholder: field.placeholder ?? '',
    locale,
    initial: field.initial ?? '',
    html: { ...ownAttributes(field), ...field.html },
    messages: field.messages ?? 'first',
    rules,
    plan: planField(field, locale, rules, set.classes ?? {}),
  };
}

function planField(
  field: FieldDocument,
  locale: string,
  rules: readonly Rule[],
  classes: Readonly<Record<string, string>>,
): Plan {
  switch (field.kind) {
    case 'pattern': {
      const { pattern, ...entry } = field.entry;
      const { nodes, faults } = parseNotation(pattern, Object.keys(classes));
      if (faults[0]) throw new RangeError(`${field.id}: column ${faults[0].column}: ${faults[0].message}`);
      return planPattern(nodes, { ...defaultEntry, ...entry }, classes);
    }
    case 'text':
      return { kind: 'text', trim: true, collapse: false, case: 'as-typed', max: 0, ...field.entry };
    case 'number':
    case 'currency':
    case 'percent':
      return planNumber(field.kind, field.entry, locale, rules);
    case 'date':
      return planDate(field.entry, locale);
    case 'time':
      return planTime(field.entry, locale);
    case 'duration':
      return planDuration(field.entry, locale);
    case 'phone':
      return planPhone(field.entry);
    case 'pin':
    case 'one-time-code':
      return planBoxes(field.kind, field.entry);
  }
}

function planBoxes(kind: BoxesPlan['kind'], entry: FieldDocument<'pin'>['entry']): BoxesPlan {
  const length = entry.length ?? (kind === 'pin' ? 4 : 6);
  return {
    kind,
    length,
    accept: entry.accept ?? 'digit',
    groups: entry.groups ?? [length],
    conceal: entry.conceal ?? kind === 'pin',
  };
}

/** What a kind asks of the page; the definition's own attributes go before. HTML, `inputmode` and autofill tokens. */
function ownAttributes(field: FieldDocument): Record<string, string> {
  switch (field.kind) {
    case 'pattern':
    case 'text':
      return {};
    case 'phone':
      return { type: 'tel', inputmode: 'tel', autocomplete: 'tel' };
    case 'pin':
    case 'one-time-code': {
      const inputmode = field.entry.accept === 'alnum' ? 'text' : 'numeric';
      const autocomplete = field.kind === 'pin' ? 'off' : 'one-time-code';
      return { inputmode, autocomplete, autocapitalize: 'none', spellcheck: 'false' };
    }
    case 'number':
    case 'currency':
    case 'percent':
      // Phones show no minus on their number keys.
      return field.entry.negative && field.entry.negative !== 'no' ? {} : { inputmode: 'decimal' };
    case 'date':
    case 'duration':
      return { inputmode: 'numeric' };
    case 'time':
      return field.entry.clock === 12 ? {} : { inputmode: 'numeric' };
  }
}

/**
 * A field brings its own `complete` rule, which also says what a kind knows of its values (no such date, unknown
 * number); one in the definition takes its place. It stands behind a leading `required`, before everything that
 * speaks of a whole value. Text is complete as it is.
 */
function withOwn(kind: KindName, rules: readonly Rule[]): readonly Rule[] {
  if (kind === 'text' || rules.some((rule) => rule.check.type === 'complete')) return rules;
  const own: Rule = { id: 'complete', check: { type: 'complete' }, show: 'leave', severity: 'error' };
  const first = rules[0]?.check.type === 'required' ? 1 : 0;
  return rules.toSpliced(first, 0, own);
}

function compileRule(rule: RuleDocument): Rule {
  return {
    id: rule.id,
    check: compileCheck(rule.check),
    show: rule.show ?? 'leave',
    severity: rule.severity ?? 'error',
    ...(rule.say === undefined ? {} : { say: rule.say }),
    ...(rule.code === undefined ? {} : { code: rule.code }),
  };
}

function compileCheck(check: CheckDocument): Check {
  if (check.type === 'range') {
    // Numbers are compared as canonical decimals; dates and times are none and stay.
    const [min, max, step] = [check.min, check.max, check.step].map((limit) =>
      limit === undefined ? undefined : canonical(`${limit}`) || `${limit}`,
    );
    const limits = {
      ...(min === undefined ? {} : { min: `${min}` }),
      ...(max === undefined ? {} : { max: `${max}` }),
    };
    return { type: 'range', ...limits, ...(step === undefined ? {} : { step: `${step}` }) };
  }
  if (check.type !== 'matches') return check;
  const automaton = parseExpression(check.pattern, check.flags);
  if ('message' in automaton) throw new RangeError(automaton.message);
  return { type: 'matches', pattern: check.pattern, automaton };
}
