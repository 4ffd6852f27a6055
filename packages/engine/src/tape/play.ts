import type { OpenField } from '../field/kind.ts';
import type { FieldEvent, FieldState } from '../field/moment.ts';
import { type Flags, type Reading, told } from '../field/reading.ts';
import { keysOf } from '../field/state.ts';
import { applyToForm, type FormEvent, reachOf } from '../form/apply.ts';
import { type FormState, fieldOf, type OpenForm, openAlone, startForm } from '../form/form.ts';
import { readInForm } from '../form/form-reading.ts';
import type { Values } from '../form/sending.ts';
import type { Rule } from '../rules/rule.ts';
import { graphemes } from '../values/graphemes.ts';
import { item } from '../values/item.ts';
import { marked } from './marked.ts';
import type { Action, Expectation, Tape } from './script.ts';

/** What tapes are played on: fields, and forms of them. */
export interface Playable {
  readonly fields: readonly OpenField[];
  readonly forms: readonly OpenForm[];
}

/** What an action led to. Offsets are UTF-16 units of the display. */
export interface Row {
  readonly tape: string;
  readonly line: number;
  readonly action: string;
  readonly field: string;
  readonly display: string;
  readonly caret: readonly [number, number];
  readonly raw: string;
  readonly value: string | null;
  readonly flags: Flags;
  readonly codes: readonly string[];
  readonly message: string | null;
  readonly rejected: string | null;
  readonly leftOut: string;
  /** Id of the field that has the focus. */
  readonly focus: string | null;
  /** Whether a record is under way, or was taken. */
  readonly submitted: boolean;
}

/** An expectation that did not hold. */
export interface Miss {
  readonly line: number;
  readonly source: string;
  readonly expected: string;
  readonly found: string;
}

/** What came of a tape: a row an action, and each expectation that was missed. */
export interface Played {
  readonly rows: readonly Row[];
  readonly misses: readonly Miss[];
}

/** Sees every state a tape leads through. */
export type OnState = (form: OpenForm, state: FormState, today: string) => void;

/** A tape that does not go with its document: no such field, form or rule. */
export interface TapeMismatch {
  readonly line: number;
  readonly message: string;
}

/**
 * Plays a tape on the set, on the day the tape names or else on `clock` (ISO 8601); without either, relative limits hold
 * nothing back. Nothing else is asked, so it plays the same anywhere.
 */
export function play(
  set: Playable,
  tape: Tape,
  clock = '',
  onState: OnState = () => {},
): Played | TapeMismatch {
  const today = tape.today ?? clock;
  const form = formFor(set, tape);
  if (!form) return { line: 1, message: `The document has no ${tape.target.type} "${tape.target.id}".` };
  const rows: Row[] = [];
  const misses: Miss[] = [];
  let state = startForm(form);
  let about = item(form.fields, 0).id;
  let report: { rejected: string | null; leftOut: string } = { rejected: null, leftOut: '' };
  for (const step of tape.steps) {
    const named = 'field' in step ? step.field : undefined;
    if (named !== undefined && !form.places.has(named))
      return { line: step.line, message: `There is no field "${named}" here.` };
    if (step.do === 'expect') {
      const miss = examine(form, state, step, named ?? about, report, today);
      if (typeof miss === 'string') return { line: step.line, message: miss };
      if (miss) misses.push({ line: step.line, source: step.source, ...miss });
      continue;
    }
    const events = formEvents(form, step, state, about);
    if (typeof events === 'string') return { line: step.line, message: events };
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

/** The form a tape plays on; a field's own tape plays on a form of that field alone. */
function formFor(set: Playable, tape: Tape): OpenForm | undefined {
  if (tape.target.type === 'form') {
    const form = set.forms.find((candidate) => candidate.id === tape.target.id);
    return form?.fields.length ? form : undefined;
  }
  const field = set.fields.find((candidate) => candidate.id === tape.target.id);
  return field && openAlone(field);
}

/**
 * The form after an event, with the questions put that it leads to: what a page does, but for the answers. On a pause is asked once the
 * tape waits.
 */
function drive(
  form: OpenForm,
  before: FormState,
  event: FormEvent | null,
  today: string,
  isPause: boolean,
): FormState {
  let state = event ? applyToForm(form, before, event, today) : before;
  const reached = event ? reachOf(form, before, event, state) : [...form.asking];
  for (const field of reached) {
    if (!form.asking.has(field)) continue;
    for (const { rule, about, on } of readInForm(form, state, field, today).asks) {
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

/** The question of a rule that waits for its answer, the latest, and the field it is about. */
function openQuestion(form: OpenForm, state: FormState, rule: string) {
  for (const field of form.asking) {
    const { questions } = fieldOf(form, state, field).state;
    const question = questions.open.findLast((one) => one.rule === rule);
    if (question) return { field, question };
  }
  return undefined;
}

/**
 * The events an action comes to in a form, `about` the field that had the focus last; a sentence where it makes no sense there. What is done to a field that
 * has no focus first focuses it, as a hand would.
 */
export function formEvents(
  form: OpenForm,
  action: Action,
  state: FormState,
  about: string,
): (FormEvent | null)[] | string {
  switch (action.do) {
    case 'focus':
      return [{ type: 'focus', field: action.field ?? about }];
    case 'leave':
    case 'submit':
    case 'reset':
      return [{ type: action.do }];
    case 'wait':
      return [null];
    case 'answer': {
      const asked = openQuestion(form, state, action.rule);
      if (!asked) return `The rule "${action.rule}" has asked nothing that waits for an answer.`;
      const { verdict, code } = action;
      const answer = { verdict, ...(code === undefined ? {} : { code }) };
      const event = { type: 'answer', id: asked.question.id, answer } as const;
      return [{ type: 'field', field: asked.field, event }];
    }
    case 'sent': {
      const { field, code } = action;
      if (state.sending.is !== 'sending') return 'Nothing is being sent.';
      const findings = field === undefined || code === undefined ? [] : [{ field, code }];
      return [{ type: 'sent', findings }];
    }
    default: {
      const { field, state: now } = fieldOf(form, state, about);
      const events = fieldEvents(action, now, field).map(
        (event): FormEvent => ({ type: 'field', event, field: about }),
      );
      // The browser and the program reach a field without the focus; a hand has to go there first.
      if (state.focus !== null || action.do === 'set' || action.do === 'autofill') return events;
      return [{ type: 'focus', field: about }, ...events];
    }
  }
}

type FieldAction = Exclude<
  Action,
  { do: 'focus' | 'leave' | 'submit' | 'reset' | 'wait' | 'answer' | 'sent' }
>;

/** The events of an action on the field that has the focus, being in `state`. */
export function fieldEvents(action: FieldAction, state: FieldState, field: OpenField): FieldEvent[] {
  const to = (start: number, end = start): FieldEvent[] => [{ type: 'select', start, end }];
  const { display } = state.body;
  switch (action.do) {
    case 'type':
      return keysOf(action.text);
    case 'insert':
    case 'paste':
    case 'autofill':
    case 'set':
      return [{ type: action.do, text: action.text }];
    case 'select':
      return to(action.start, action.end);
    case 'select-all':
      return to(0, display.length);
    case 'home':
      return to(startOfLine(display, state.start));
    case 'end':
      return to(endOfLine(display, state.end));
    case 'up':
    case 'down':
      // Where nothing is stepped these keys go to the line above or below; from the first and the last, to the ends of the text.
      if (!field.kind.step) return to(beside(state, action.do, action.times));
      return Array<FieldEvent>(action.times).fill({ type: action.do === 'up' ? 'up' : 'down' });
    case 'left':
    case 'right':
      return to(arrow(state, action.do, action.times));
    case 'backspace':
    case 'delete':
    case 'word-backspace':
      return Array.from({ length: action.times }, () => ({ type: action.do }));
    default:
      return [{ type: action.do }];
  }
}

const startOfLine = (display: string, from: number): number =>
  from === 0 ? 0 : display.lastIndexOf('\n', from - 1) + 1;

const endOfLine = (display: string, from: number): number => {
  const end = display.indexOf('\n', from);
  return end < 0 ? display.length : end;
};

/** Where the up or down key takes the caret in a text of lines, each as long as it is: to the same column. */
function beside({ body: { display }, start, end }: FieldState, to: 'up' | 'down', times: number): number {
  const from = to === 'up' ? start : end;
  const column = from - startOfLine(display, from);
  let at = from;
  for (let i = 0; i < times; i++) {
    const first = startOfLine(display, at);
    if (to === 'up' && first === 0) return 0;
    const end = endOfLine(display, at);
    if (to === 'down' && end === display.length) return display.length;
    const next = to === 'up' ? startOfLine(display, first - 1) : end + 1;
    at = Math.min(next + column, endOfLine(display, next));
  }
  return at;
}

/** Where an arrow key takes the caret: a character of the display each time; a selection first collapses to its side. */
function arrow({ body, start, end }: FieldState, to: 'left' | 'right', times: number): number {
  const stops = [0];
  for (const character of graphemes(body.display)) stops.push(stops.at(-1)! + character.length);
  const by = start === end ? times : times - 1;
  const from = stops.findLastIndex((stop) => stop <= (to === 'left' ? start : end));
  return stops[Math.max(0, Math.min(stops.length - 1, to === 'left' ? from - by : from + by))]!;
}

type Head = Pick<Row, 'tape' | 'line' | 'action' | 'rejected' | 'leftOut'>;

function rowOf(form: OpenForm, state: FormState, id: string, head: Head, today: string): Row {
  const at = fieldOf(form, state, id).state;
  const { display, raw, value, flags, shown } = readInForm(form, state, id, today);
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

/** Whether an expectation holds: what it found instead when not, a sentence when it makes no sense here. */
function examine(
  form: OpenForm,
  state: FormState,
  step: Expectation,
  id: string,
  report: { rejected: string | null; leftOut: string },
  today: string,
): { expected: string; found: string } | string | undefined {
  const { field, state: at } = fieldOf(form, state, id);
  const reading = readInForm(form, state, id, today);
  const compare = (expected: string, found: string) => (expected === found ? undefined : { expected, found });
  const quoted = (text: string | null) => (text === null ? 'null' : JSON.stringify(text));
  switch (step.what) {
    case 'display':
      return compare(
        quoted(marked(step.text, step.caret)),
        quoted(marked(reading.display, step.caret && [at.start, at.end])),
      );
    case 'raw':
      return compare(quoted(step.text), quoted(reading.raw));
    case 'value':
      return compare(quoted(step.text), quoted(reading.value));
    case 'message':
      return compare(quoted(step.text), quoted(reading.shown[0]?.message ?? ''));
    case 'left-out':
      return compare(quoted(step.text), quoted(report.leftOut));
    case 'rejected':
      return compare(step.reason ?? 'none', report.rejected ?? 'none');
    case 'codes':
      return compare(
        step.codes.join(' ') || 'none',
        reading.shown.map(({ code }) => code).join(' ') || 'none',
      );
    case 'verdict': {
      const all = [...field.rules, ...(form.rulesAt.get(id) ?? [])];
      const verdict = verdictOf({ ...field, rules: all }, reading.findings, step.rule);
      return verdict === undefined
        ? `The field "${id}" has no rule or code "${step.rule}".`
        : compare(step.verdict, verdict);
    }
    case 'asks':
      return compare(quoted(step.text), quoted(openQuestion(form, state, step.rule)?.question.value ?? null));
    case 'record':
      return compare(sorted(step.values), sorted(recordIn(state)?.values ?? null));
    case 'submitted':
      return compare(
        step.isSo ? 'submitted' : 'not submitted',
        recordIn(state) ? 'submitted' : 'not submitted',
      );
    case 'focus':
      return compare(step.id ?? 'none', state.focus ?? 'none');
    case 'flags': {
      const say = (name: string, on: boolean) => (on ? name : `!${name}`);
      return compare(
        step.flags.map(([name, on]) => say(name, on)).join(' '),
        step.flags.map(([name]) => say(name, reading.flags[name])).join(' '),
      );
    }
  }
}

const recordIn = ({ sending }: FormState) => ('record' in sending ? sending.record : undefined);

/** A record as text, its fields by name. */
const sorted = (values: Values | null): string =>
  values === null ? 'none' : JSON.stringify(Object.fromEntries(Object.entries(values).sort()));

/** The codes a rule can fail with: a tape may name it by them. */
const codesOf = ({ code, words }: Rule): readonly (string | undefined)[] => [
  code,
  ...Object.keys(words ?? {}),
];

function verdictOf(field: OpenField, findings: Reading['findings'], name: string) {
  const byId = field.rules.findIndex((rule) => rule.id === name);
  if (byId >= 0) return item(findings, byId).verdict;
  const coded = field.rules.flatMap((rule, i) => {
    const finding = item(findings, i);
    if (finding.verdict !== 'pass') return told(field, rule, finding).code === name ? [finding.verdict] : [];
    return codesOf(rule).includes(name) ? [finding.verdict] : [];
  });
  const known = field.rules.some((rule) => codesOf(rule).includes(name));
  return coded.find((verdict) => verdict !== 'pass') ?? coded[0] ?? (known ? 'pass' : undefined);
}
