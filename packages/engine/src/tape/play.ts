import { say } from '../faults/say.ts';
import { playTexts } from '../faults/texts.ts';
import type { HydratedField } from '../field/kind.ts';
import { applyToForm, type FormEvent, reachOf } from '../form/apply.ts';
import { evaluateInForm } from '../form/evaluate-form.ts';
import { type FormState, fieldOf, type HydratedForm, hydrateAlone, startForm } from '../form/form.ts';
import { itemAt } from '../values/item-at.ts';
import type { Row, Tape } from './script.ts';
import { examine, recordIn } from './subjects.ts';
import { formEvents } from './verbs.ts';

/** What tapes are played on: fields, and forms with them. */
export interface Playable {
  readonly fields: readonly HydratedField[];
  readonly forms: readonly HydratedForm[];
}

/** An expectation that failed. */
export interface Miss {
  readonly line: number;
  readonly source: string;
  readonly expected: string;
  readonly found: string;
}

/** The result of a tape: a row per action, and the expectations that failed. */
export interface Played {
  readonly rows: readonly Row[];
  readonly misses: readonly Miss[];
}

/** Called with every state that a tape leads to. */
export type OnState = (form: HydratedForm, state: FormState, today: string) => void;

/** A tape that does not fit its document: there is no such field, form or rule. */
export interface TapeMismatch {
  readonly line: number;
  /** It stays the same when the message is reworded. */
  readonly code: string;
  readonly message: string;
}

/**
 * Plays a tape on a set, on the day the tape names or on `clock` (ISO 8601); without either, relative limits
 * pass. Nothing else is asked, so a tape plays the same everywhere. Returns a mismatch if the tape is about
 * another set.
 *
 * @example
 * const played = play(compiledSet, tape, '2027-02-10');
 * if ('misses' in played) console.log(played.misses.length);
 */
export function play(
  set: Playable,
  tape: Tape,
  clock = '',
  onState: OnState = () => {},
): Played | TapeMismatch {
  const today = tape.today ?? clock;
  const form = formFor(set, tape);
  if (!form) {
    const { type, id } = tape.target;
    return { line: 1, ...say(playTexts, `unknown-target/${type}`, { id }) };
  }
  const rows: Row[] = [];
  const misses: Miss[] = [];
  let state = startForm(form);
  let about = itemAt(form.fields, 0).id;
  let report: { rejected: string | null; leftOut: string } = { rejected: null, leftOut: '' };
  for (const step of tape.steps) {
    const named = 'field' in step ? step.field : undefined;
    if (named !== undefined && !form.places.has(named))
      return { line: step.line, ...say(playTexts, 'no-field-here', { id: named }) };
    if (step.do === 'expect') {
      const id = named ?? about;
      const { field, state: at } = fieldOf(form, state, id);
      const evaluation = evaluateInForm(form, state, id, today);
      const miss = examine(step, { form, state, id, field, at, evaluation, report });
      if (miss && 'message' in miss) return { line: step.line, ...miss };
      if (miss) misses.push({ line: step.line, source: step.source, ...miss });
      continue;
    }
    const events = formEvents(form, step, state, about);
    if ('message' in events) return { line: step.line, ...events };
    report = { rejected: null, leftOut: '' };
    for (const event of events) {
      state = drive(form, state, event, today, step.do === 'wait');
      onState(form, state, today);
      about = state.focus ?? about;
      const { rejected, leftOut } = fieldOf(form, state, about).state;
      report = { rejected: rejected ?? report.rejected, leftOut: report.leftOut + leftOut };
    }
    rows.push(
      rowOf(form, state, about, { tape: tape.title, line: step.line, action: step.source, ...report }, today),
    );
  }
  return { rows, misses };
}

/** The form that a tape is played on; for a field's own tape, a form with only that field. */
function formFor(set: Playable, tape: Tape): HydratedForm | undefined {
  if (tape.target.type === 'form') {
    const form = set.forms.find((candidate) => candidate.id === tape.target.id);
    return form?.fields.length ? form : undefined;
  }
  const field = set.fields.find((candidate) => candidate.id === tape.target.id);
  return field && hydrateAlone(field);
}

/**
 * The form after an event, with the server checks it starts, as on a page but without answers. Checks on a
 * pause start once the tape waits.
 */
function drive(
  form: HydratedForm,
  before: FormState,
  event: FormEvent | null,
  today: string,
  isPause: boolean,
): FormState {
  let state = event ? applyToForm(form, before, event, today) : before;
  const reached = event ? reachOf(form, before, event, state) : [...form.asking];
  for (const field of reached) {
    if (!form.asking.has(field)) continue;
    for (const { rule, about, on } of evaluateInForm(form, state, field, today).asks) {
      if (on === 'pause' && !isPause) continue;
      const id = `${field}/${rule}/${about}`;
      state = applyToForm(
        form,
        state,
        { type: 'field', field, event: { type: 'ask', id, rule, about } },
        today,
      );
    }
  }
  return state;
}

type Head = Pick<Row, 'tape' | 'line' | 'action' | 'rejected' | 'leftOut'>;

function rowOf(form: HydratedForm, state: FormState, id: string, head: Head, today: string): Row {
  const at = fieldOf(form, state, id).state;
  const { display, raw, value, flags, shown } = evaluateInForm(form, state, id, today);
  return {
    tape: head.tape,
    line: head.line,
    action: head.action,
    field: id,
    display,
    caret: [at.start, at.end],
    raw,
    value,
    flags,
    codes: shown.map(({ code }) => code),
    message: shown[0]?.message ?? null,
    rejected: head.rejected,
    leftOut: head.leftOut,
    focus: state.focus,
    submitted: recordIn(state) !== undefined,
  };
}
