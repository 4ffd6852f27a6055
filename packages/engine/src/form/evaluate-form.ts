import { type Evaluation, evaluate, type FromForm, noForm } from '../field/evaluation.ts';
import type { Other } from '../rules/checks.ts';
import { holds } from '../rules/condition.ts';
import { saidOf } from '../rules/said.ts';
import { type FormState, fieldOf, type HydratedForm } from './form.ts';

/**
 * The evaluation of a field in its form, with the form's rules whose messages stand at that field. `today`
 * as in `evaluate`. Only this field and those its rules read are looked at.
 *
 * @example
 * const { shown } = evaluateInForm(booking, startForm(booking), 'arrival', '2027-02-10');
 */
export function evaluateInForm(form: HydratedForm, state: FormState, id: string, today = ''): Evaluation {
  const { field, state: own } = fieldOf(form, state, id);
  return evaluate(field, own, today, fromForm(form, state, id));
}

/** Which fields with a condition count, by state. Each condition is evaluated once per state. */
const counted = new WeakMap<FormState, Map<string, boolean>>();

/**
 * Whether the condition of a field holds. A field that does not count has no value for other fields.
 * Conditions are evaluated in the order of the form's graph, so the cost is linear.
 *
 * @example
 * countsInForm(booking, startForm(booking), 'meals');
 */
export function countsInForm(form: HydratedForm, state: FormState, id: string): boolean {
  if (!fieldOf(form, state, id).field.when) return true;
  let known = counted.get(state);
  if (!known) {
    known = new Map();
    counted.set(state, known);
  }
  // An explicit stack: a chain of conditions may be as long as the form.
  const stack = [id];
  for (let at = stack.at(-1); at !== undefined; at = stack.at(-1)) {
    const { when } = fieldOf(form, state, at).field;
    const seen = known;
    const missing = (form.hangsOn.get(at) ?? []).filter(
      (name) => !seen.has(name) && fieldOf(form, state, name).field.when,
    );
    if (missing.length && !known.has(at)) {
      stack.push(...missing);
      continue;
    }
    stack.pop();
    if (!known.has(at)) known.set(at, !when || holds(when, (name) => valueIn(form, state, name)));
  }
  return known.get(id) === true;
}

/** The typed value of a field; `null` if it has none or does not count. */
function valueIn(form: HydratedForm, state: FormState, id: string): string | null {
  const { field, state: own } = fieldOf(form, state, id);
  return countsInForm(form, state, id) ? field.kind.value(field.plan, own.body) : null;
}

const noOthers: FromForm['others'] = {};

function fromForm(form: HydratedForm, state: FormState, id: string): FromForm {
  const rules = form.rulesAt.get(id) ?? noForm.rules;
  const reads = form.readsAt.get(id);
  const { field, state: own } = fieldOf(form, state, id);
  const told = state.serverFindings[id];
  const isPlain = rules === noForm.rules && !reads && !field.when && !told;
  const waits = state.sending.is === 'waiting';
  if (isPlain && !waits && form.unanswered === 'hold') return noForm;
  const others: Record<string, Other> = {};
  for (const name of reads ?? []) {
    const { field: other, state: its } = fieldOf(form, state, name);
    others[name] = {
      ...(other.name === undefined ? {} : { name: other.name }),
      value: valueIn(form, state, name),
      label: other.label,
      display: saidOf(other, its.body),
    };
  }
  const isAsTold = told && told.raw === field.kind.raw(field.plan, own.body);
  return {
    counts: countsInForm(form, state, id),
    others: reads ? others : noOthers,
    rules,
    holds: (condition) => holds(condition, (name) => valueIn(form, state, name)),
    isLeft: (names) => names.every((name) => name === id || fieldOf(form, state, name).state.touched),
    serverFinding: isAsTold ? told.finding : undefined,
    waits,
    letsThrough: form.unanswered === 'let-through',
  };
}
