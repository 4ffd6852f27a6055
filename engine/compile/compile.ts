import type { Check, CompiledField, CompiledForm, Rule } from '../run/plan.ts';
import type { CheckDocument, FieldDocument, RuleDocument, SetDocument } from './document.ts';
import { parseExpression } from './expression.ts';
import { parseNotation } from './notation.ts';
import { defaultEntry, planPattern } from './pattern.ts';

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

/** Compiles one field of a set. Throws `RangeError` when its pattern or a rule has a fault. */
export function compileField(
  field: FieldDocument,
  set: Pick<SetDocument, 'locale' | 'classes'>,
): CompiledField {
  const classes = set.classes ?? {};
  const { nodes, faults } = parseNotation(field.entry.pattern, Object.keys(classes));
  if (faults[0]) throw new RangeError(`${field.id}: column ${faults[0].column}: ${faults[0].message}`);
  const { pattern: _, ...entry } = field.entry;
  return {
    id: field.id,
    label: field.label,
    hint: field.hint ?? '',
    placeholder: field.placeholder ?? '',
    locale: field.locale ?? set.locale,
    initial: field.initial ?? '',
    html: field.html ?? {},
    messages: field.messages ?? 'first',
    rules: withOwn((field.rules ?? []).map(compileRule)),
    plan: planPattern(nodes, { ...defaultEntry, ...entry }, classes),
  };
}

/**
 * A pattern field brings its own `complete` rule; one in the definition takes its place. It stands behind a
 * leading `required`, before everything that speaks of a whole value.
 */
function withOwn(rules: readonly Rule[]): readonly Rule[] {
  if (rules.some((rule) => rule.check.type === 'complete')) return rules;
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
  if (check.type !== 'matches') return check;
  const automaton = parseExpression(check.pattern, check.flags);
  if ('message' in automaton) throw new RangeError(automaton.message);
  return { type: 'matches', pattern: check.pattern, automaton };
}
