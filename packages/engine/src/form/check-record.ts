import { apply, start } from '../field/apply.ts';
import { toMessage } from '../field/evaluation.ts';
import { fieldName } from '../field/field-name.ts';
import { sharedEvent, sharedText } from '../field/shared-text.ts';
import type { Answer } from '../rules/checks.ts';
import { unanswered, unrun } from '../rules/finding.ts';
import type { Ask } from '../rules/questions.ts';
import { applyToForm, type FieldFinding } from './apply.ts';
import { countsInForm, evaluateInForm } from './evaluate-form.ts';
import { type FormState, fieldOf, type HydratedForm, startForm, withField } from './form.ts';
import { recordOf } from './record.ts';
import type { FormRecord, Values } from './sending.ts';

/** The name of a field of a record; empty for the record as a whole. */
export type NameIn<V extends Values> = (keyof V & string) | '';

/** The result of checking a record: the record as the form itself would send it, or findings by field. */
export type CheckedRecord<V extends Values = Values> =
  | {
      readonly ok: true;
      readonly record: FormRecord<V>;
      /** Names that no field of the form has: tokens, buttons, what a framework adds. */
      readonly ignored: readonly string[];
    }
  | {
      readonly ok: false;
      /** `field` is empty if the input is not a record. */
      readonly findings: readonly FieldFinding<NameIn<V>>[];
    };

/** The longest raw text that is read, in UTF-16 units, unless the kind allows more. */
const longestRead = 20_000;

/** Asks a server the question of a field. `field`: its name (`fieldName`). */
export type Asker = (ask: Ask, field: string) => Promise<Answer>;

/**
 * Checks a record on the server, raw values by name of the field, with the rules of the page. `today` (ISO
 * 8601) is the day where the user is. A value that the field could not contain is rejected; a text that is
 * far too long is not read. What was not sent is absent: an initial value never replaces it. Unknown names
 * are ignored and listed, because frameworks, CSRF tokens and buttons add some. `ask` asks servers; without
 * it their rules do not hold the record back.
 *
 * @example
 * const checked = await checkRecord(booking, { arrival: '14022027' }, '2027-02-10');
 * if (!checked.ok) console.error(checked.findings);
 */
export async function checkRecord<V extends Values = Values>(
  form: HydratedForm<V>,
  raw: Readonly<Record<string, string>>,
  today: string,
  ask: Asker = async () => ({ verdict: 'unreachable' }),
): Promise<CheckedRecord<V>> {
  const findings: FieldFinding[] = [];
  let state = emptyForm(form);
  const ignored: string[] = [];
  for (const [name, text] of Object.entries(raw)) {
    const id = form.named.get(name);
    if (id === undefined) {
      ignored.push(name);
      continue;
    }
    const { field, state: own } = fieldOf(form, state, id);
    // Reading it would only take time.
    if (text.length > longestRead + (field.kind.extraLength?.(field.plan) ?? 0)) {
      findings.push({ field: name, code: 'not-allowed' });
      continue;
    }
    const { body, leftOut, rejected } = field.kind.parse(field.plan, text);
    // An unticked checkbox holds nothing, but has a value.
    const isHeld = field.kind.raw(field.plan, body) !== '' || field.kind.value(field.plan, body) !== null;
    if (text && (leftOut || rejected || !isHeld)) findings.push({ field: name, code: 'not-allowed' });
    else state = withField(form, state, id, { ...own, body });
  }
  state = withShared(form, state);
  state = await answered(form, applyToForm(form, state, { type: 'submit' }, today), today, ask);
  for (const definition of form.fields) {
    const { id } = definition;
    const name = fieldName(definition);
    if (!countsInForm(form, state, id) || findings.some(({ field }) => field === name)) continue;
    const found = wrongWith(form, state, id, today);
    if (found) findings.push(found);
  }
  // The form's own declaration gives the names and types of its values.
  if (findings.length) return { ok: false, findings: findings as readonly FieldFinding<NameIn<V>>[] };
  return { ok: true, record: recordOf(form, state, today) as FormRecord<V>, ignored };
}

/** The form with empty fields filled from fields that share their value: a page without scripts sends one. */
function withShared(form: HydratedForm, state: FormState): FormState {
  let next = state;
  for (const [id, others] of form.sharing) {
    const { field, state: own } = fieldOf(form, state, id);
    if (own.body.content !== '') continue;
    const texts = others.map((other) => {
      const { field: its, state: before } = fieldOf(form, state, other);
      return sharedText(its, before.body);
    });
    const set = sharedEvent(field, own.body, texts.find((text) => text !== '') ?? '');
    if (set) next = withField(form, next, id, apply(field, own, set));
  }
  return next;
}

/** The form with every field empty, without initial values. */
function emptyForm(form: HydratedForm): FormState {
  let state = startForm(form);
  for (const field of form.fields) {
    if (!field.initial) continue;
    const bare = start({ ...field, initial: '' });
    state = withField(form, state, field.id, bare);
  }
  return state;
}

/**
 * The error of a field, whether shown or not: a failure before an open verdict, otherwise the first. Custom
 * code that nobody has run counts as an error, because a record it would refuse must not pass.
 */
function wrongWith(
  form: HydratedForm,
  state: FormState,
  id: string,
  today: string,
): FieldFinding | undefined {
  const { field } = fieldOf(form, state, id);
  const { findings } = evaluateInForm(form, state, id, today);
  const rules = [...field.rules, ...(form.rulesAt.get(id) ?? [])];
  const errors = rules.flatMap((rule, i) => {
    const found = findings[i];
    if (!found || found.verdict === 'pass' || rule.severity === 'warning') return [];
    if (found.code === 'unreachable' && form.unanswered === 'let-through') return [];
    if (found !== unanswered && found !== unrun) return [{ rule, finding: found }];
    if (rule.check.type === 'remote') return [];
    const code = rule.check.type === 'custom' ? 'check-broken' : 'shape-broken';
    return [{ rule, finding: { ...found, code } }];
  });
  const error = errors.find(({ finding }) => finding.verdict === 'fail') ?? errors[0];
  if (!error) return undefined;
  const { code, message } = toMessage(field, error.rule, error.finding);
  return { field: fieldName(field), code, message };
}

/** The form after all its questions are answered. */
async function answered(
  form: HydratedForm,
  waiting: FormState,
  today: string,
  ask: Asker,
): Promise<FormState> {
  let state = waiting;
  for (const field of form.asking) {
    if (!countsInForm(form, state, field)) continue;
    for (const [i, question] of evaluateInForm(form, state, field, today).asks.entries()) {
      const id = `${field}-${i}`;
      const asked = fieldName(fieldOf(form, state, field).field);
      const answer = await ask(question, asked).catch((): Answer => ({ verdict: 'unreachable' }));
      const { rule, about } = question;
      for (const event of [
        { type: 'ask', id, rule, about },
        { type: 'answer', id, answer },
      ] as const)
        state = applyToForm(form, state, { type: 'field', field, event }, today);
    }
  }
  return state;
}
