import { check, type Given } from '../rules/checks.ts';
import type { Condition } from '../rules/condition.ts';
import { type Finding, passed, unanswered, unrun, type Verdict } from '../rules/finding.ts';
import { message } from '../rules/message.ts';
import { type Ask, nothingAsked } from '../rules/questions.ts';
import type { Rule } from '../rules/rule.ts';
import type { Body } from './body.ts';
import type { Plan } from './compiled.ts';
import { hasAsking, hasClearing, hasForms } from './features.ts';
import type { OpenField } from './kind.ts';
import type { FieldState } from './moment.ts';
import { start } from './state.ts';

/** What is so of a field, yes or no. */
export interface Flags {
  readonly focused: boolean;
  readonly touched: boolean;
  readonly dirty: boolean;
  readonly complete: boolean;
  readonly valid: boolean;
  readonly pending: boolean;
}

/** A message that is to be seen now. */
export interface Shown {
  readonly rule: string;
  readonly code: string;
  readonly message: string;
  readonly severity: 'error' | 'warning';
}

/** What can be told of a field at one moment. Worked out from the state alone, never kept beside it. `V` are the values it can have. */
export interface Reading<V extends string = string> {
  readonly display: string;
  readonly content: string;
  readonly raw: string;
  readonly value: V | null;
  readonly flags: Flags;
  /** One finding a rule, in the rules' order. */
  readonly findings: readonly Finding[];
  readonly shown: readonly Shown[];
  /** The message of the first error, seen or not; empty when valid. What constraint validation is told. */
  readonly problem: string;
  /** Whether it counts in its form: one that does not is neither shown nor submitted, and nothing is said of it. */
  readonly counts: boolean;
  /** What its checks found out beside their verdicts, by name. */
  readonly facts: Readonly<Record<string, string>>;
  /** What is to be asked elsewhere now. */
  readonly asks: readonly Ask[];
}

/** What a form adds to the reading of one of its fields. */
export interface FromForm {
  readonly counts: boolean;
  /** Those other fields that its rules read, by id. */
  readonly others: Given['others'];
  /** The form's own rules whose message stands at the field. */
  readonly rules: readonly Rule[];
  /** Whether the condition of a rule holds. */
  holds(condition: Condition): boolean;
  /** Whether all of these fields have been left. */
  isLeft(fields: readonly string[]): boolean;
  /** What the server said of the present value. */
  readonly told?: Finding | undefined;
  /** A submit waits for answers: what is to be asked is asked now. */
  readonly waits: boolean;
  /** Whether what nobody answered holds nothing back. */
  readonly letsThrough: boolean;
}

/** A field by itself: it counts, and so does every rule. */
export const noForm: FromForm = {
  counts: true,
  others: {},
  rules: [],
  holds: () => true,
  isLeft: () => true,
  waits: false,
  letsThrough: false,
};

/** Of a rule, what decides over its message. */
type Voice = Pick<Rule, 'id' | 'say' | 'words' | 'code' | 'show' | 'severity'>;

/** The raw value each field starts with, which `dirty` is measured against. */
const initials = new WeakMap<OpenField, string>();

function initialRaw(field: OpenField): string {
  let raw = initials.get(field);
  if (raw === undefined) {
    raw = field.kind.raw(field.plan, start(field).body);
    initials.set(field, raw);
  }
  return raw;
}

/**
 * What can be told of a state. `today` is the clock, an ISO 8601 date; only relative limits ask for it, and without one
 * they hold nothing back: no day is made up. `form` is what the field's form adds, where it stands in one.
 */
export function read<V extends string = string>(
  field: OpenField<Plan, Body, V>,
  state: FieldState,
  today = '',
  form: FromForm = noForm,
): Reading<V> {
  const { body, questions, refused } = state;
  const { plan, kind } = field;
  const raw = kind.raw(plan, body);
  const rules = hasForms && form.rules.length ? [...field.rules, ...form.rules] : field.rules;
  const { others } = form;
  const isUnasked = !hasAsking || questions === nothingAsked;
  const answers = (!isUnasked && field.checks.asking?.answers(questions, rules, raw, others)) || noAnswers;
  const given: Given = { today, others, answers };
  const findings: Finding[] = [];
  let heard = silence;
  let facts = nothing;
  let isAsking = false;
  let isRunning = false;
  for (const rule of !hasForms || form.counts ? rules : noRules) {
    const isPlain = (!hasForms || rule.when === undefined) && (!hasClearing || refused === null);
    const finding = isPlain
      ? check(field, body, rule.check, given, rule.id)
      : findingOf(field, body, rule, given, form, refused);
    findings.push(finding);
    // Mostly it passes and has found nothing out: then there is nothing to weigh.
    if (finding === passed) continue;
    if (finding.facts) facts = { ...facts, ...finding.facts };
    if (finding === unanswered) {
      if (hasAsking && rule.check.type === 'remote') isAsking = true;
      // Own code that is under way: whoever runs it tells.
      else isRunning = true;
    } else if (finding.verdict !== 'pass' && finding !== unrun) {
      const isLeft = (!hasForms || !rule.reads || form.isLeft(rule.reads)) && state.touched;
      const isSeen = state.submitted || isDue(rule, finding, isLeft);
      heard = hear(
        heard,
        field,
        hasForms && form.letsThrough ? lenient(rule, finding) : rule,
        finding,
        isSeen,
      );
    }
  }
  if (hasForms && form.told && form.counts) heard = hear(heard, field, ofServer, form.told, true);
  const { shown, problem } = heard;
  const isSound = problem === undefined;
  const wanted = isAsking && isSound ? wantedOf(field, state, rules, findings, raw, form) : undefined;
  return {
    display: body.display,
    content: body.content,
    raw,
    // What values these can be, the field's own declaration says.
    value: kind.value(plan, body) as V | null,
    flags: {
      focused: state.focused,
      touched: state.touched,
      dirty: raw !== initialRaw(field),
      complete: body.complete,
      valid: isSound,
      pending: isSound && (isRunning || wanted?.isPending === true),
    },
    findings,
    shown,
    problem: problem ?? '',
    counts: !hasForms || form.counts,
    facts,
    asks: wanted?.asks ?? noAsks,
  };
}

/** What a rule says of a body: nothing while its condition does not hold, and of what it has refused what it said then. */
function findingOf(
  field: OpenField,
  body: FieldState['body'],
  rule: Rule,
  given: Given,
  form: FromForm,
  refused: FieldState['refused'],
): Finding {
  if (hasForms && rule.when && !form.holds(rule.when)) return passed;
  if (hasClearing && refused?.rule === rule.id) return refused.finding;
  return check(field, body, rule.check, given, rule.id);
}

/** What is to be asked elsewhere now. */
const wantedOf = (
  { checks: { asking } }: OpenField,
  { questions, touched, focused }: FieldState,
  rules: readonly Rule[],
  findings: readonly Finding[],
  raw: string,
  { others, waits }: FromForm,
) =>
  hasAsking
    ? asking?.wanted(questions, rules, findings, raw, others, waits || (touched && !focused))
    : undefined;

const noAnswers: Given['answers'] = {};
const nothing: Reading['facts'] = {};
const noRules: readonly Rule[] = [];
const noAsks: readonly Ask[] = [];

/** What a server says of a field is an error, and is seen at once. */
const ofServer: Voice = { id: 'server', show: 'at-once', severity: 'error' };

/** A rule as it speaks where what nobody answered holds nothing back. */
const lenient = (rule: Rule, { code }: Finding): Voice =>
  code === 'unreachable' ? { ...rule, severity: 'warning' } : rule;

/** What has been heard of the rules so far. */
interface Heard {
  readonly shown: readonly Shown[];
  /** Of what is shown last. */
  readonly verdict: Verdict | undefined;
  readonly problem: string | undefined;
}

const silence: Heard = { shown: [], verdict: undefined, problem: undefined };

/** The same with a rule that does not pass. */
function hear(heard: Heard, field: OpenField, rule: Voice, finding: Finding, isDue: boolean): Heard {
  const { shown } = heard;
  const { verdict } = finding;
  const isAll = field.messages === 'all';
  const isFirst = heard.problem === undefined && rule.severity === 'error';
  // Where one message is shown, what fails is worth more than what is still open, and what holds a form back more than a warning.
  const isWorth =
    (verdict === 'fail' && heard.verdict === 'open') ||
    (rule.severity === 'error' && shown[0]?.severity === 'warning');
  const isSeen = isDue && (isAll || shown.length === 0 || isWorth);
  if (!isFirst && !isSeen) return heard;
  const said = told(field, rule, finding);
  return {
    shown: !isSeen ? shown : isAll ? [...shown, said] : [said],
    verdict: isSeen ? verdict : heard.verdict,
    problem: isFirst ? said.message : heard.problem,
  };
}

/** A finding as a message, whether or not it may be seen yet. */
export function told(field: OpenField, rule: Voice, finding: Finding): Shown {
  return {
    rule: rule.id,
    code: rule.code ?? finding.code,
    message: finding.message ?? message(field.label, rule, finding),
    severity: rule.severity,
  };
}

/**
 * Whether a rule's message is due before the submit. `leave` (the default) is quiet until what it speaks of was first
 * left and live from then on; `submit` waits for the submit. `at-once` shows what fails at any time, and what is open from the first blur on: then
 * `open` is as final as `fail`.
 */
function isDue({ show }: Voice, { verdict }: Finding, isLeft: boolean): boolean {
  switch (show) {
    case 'at-once':
      return verdict === 'fail' || isLeft;
    case 'leave':
      return isLeft;
    case 'submit':
      return false;
  }
}
