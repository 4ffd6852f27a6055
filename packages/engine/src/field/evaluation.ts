import { type CheckContext, check } from '../rules/checks.ts';
import type { Condition } from '../rules/condition.ts';
import { type Finding, passed, unanswered, unrun, type Verdict } from '../rules/finding.ts';
import { message } from '../rules/message.ts';
import { type Ask, nothingAsked } from '../rules/questions.ts';
import type { Rule } from '../rules/rule.ts';
import { start } from './apply.ts';
import type { Plan } from './compiled.ts';
import { hasClearRejected, hasForms, hasRemoteChecks } from './features.ts';
import type { FieldState } from './field-state.ts';
import type { HydratedField } from './kind.ts';
import type { TextState } from './text-state.ts';

/** Boolean facts about a field. */
export interface Flags {
  readonly focused: boolean;
  readonly touched: boolean;
  readonly dirty: boolean;
  readonly complete: boolean;
  readonly valid: boolean;
  readonly pending: boolean;
}

/** A message that is visible now. */
export interface VisibleMessage {
  readonly rule: string;
  readonly code: string;
  readonly message: string;
  readonly severity: 'error' | 'warning';
}

/**
 * Everything that follows from a state, computed from it and never stored beside it. `V` are the possible
 * values.
 */
export interface Evaluation<V extends string = string> {
  readonly display: string;
  readonly content: string;
  readonly raw: string;
  readonly value: V | null;
  readonly flags: Flags;
  /** One finding per rule, in the order of the rules. */
  readonly findings: readonly Finding[];
  readonly shown: readonly VisibleMessage[];
  /**
   * The message of the first error, visible or not; empty if valid. It is the browser's validation message.
   */
  readonly problem: string;
  /**
   * Whether the field counts in its form. A field that does not count is neither shown, checked nor
   * submitted.
   */
  readonly counts: boolean;
  /** Facts that checks found beside their verdicts, by name. */
  readonly facts: Readonly<Record<string, string>>;
  /** Questions to ask servers now. */
  readonly asks: readonly Ask[];
}

/** What a form adds to the evaluation of one of its fields. */
export interface FromForm {
  readonly counts: boolean;
  /** The other fields that its rules read, by id. */
  readonly others: CheckContext['others'];
  /** The form's rules whose message is at this field. */
  readonly rules: readonly Rule[];
  /** Returns whether the condition of a rule holds. */
  holds(condition: Condition): boolean;
  /** Returns whether all of these fields have been left. */
  isLeft(fields: readonly string[]): boolean;
  /** The server's finding about the current value. */
  readonly serverFinding?: Finding | undefined;
  /** Whether a submit waits for answers, so that questions are asked now. */
  readonly waits: boolean;
  /** Whether unanswered questions hold nothing back. */
  readonly letsThrough: boolean;
}

/** The context of a field without a form: it counts, and so do all its rules. */
export const noForm: FromForm = {
  counts: true,
  others: {},
  rules: [],
  holds: () => true,
  isLeft: () => true,
  waits: false,
  letsThrough: false,
};

/** The members of a rule that decide about its message. */
type RuleInfo = Pick<Rule, 'id' | 'say' | 'words' | 'code' | 'show' | 'severity'>;

/** Raw value at the start of each field, for the flag `dirty`. */
const initials = new WeakMap<HydratedField, string>();

function initialRaw(field: HydratedField): string {
  let raw = initials.get(field);
  if (raw === undefined) {
    raw = field.kind.raw(field.plan, start(field).body);
    initials.set(field, raw);
  }
  return raw;
}

/**
 * Values, flags, verdicts and visible messages of a state. `today` (ISO 8601) is the clock for relative
 * limits; without it they pass. `form` is what the field's form adds.
 *
 * @example
 * const { display, value, shown } = evaluate(pass, start(pass), '2027-02-10');
 */
export function evaluate<V extends string = string>(
  field: HydratedField<Plan, TextState, V>,
  state: FieldState,
  today = '',
  form: FromForm = noForm,
): Evaluation<V> {
  const { body, questions, refused } = state;
  const { plan, kind } = field;
  const raw = kind.raw(plan, body);
  const rules = hasForms && form.rules.length ? [...field.rules, ...form.rules] : field.rules;
  const { others } = form;
  const isUnasked = !hasRemoteChecks || questions === nothingAsked;
  const answers =
    (!isUnasked && field.checks.remoteCheck?.answers(questions, rules, raw, others)) || noAnswers;
  const given: CheckContext = { today, others, answers };
  const findings: Finding[] = [];
  let heard = noMessages;
  let facts = nothing;
  let isAsking = false;
  let isRunning = false;
  for (const rule of !hasForms || form.counts ? rules : noRules) {
    const isPlain = (!hasForms || rule.when === undefined) && (!hasClearRejected || refused === null);
    const finding = isPlain
      ? check(field, body, rule.check, given, rule.id)
      : findingOf(field, body, rule, given, form, refused);
    findings.push(finding);
    // Most findings pass and contain nothing to weigh.
    if (finding === passed) continue;
    if (finding.facts) facts = { ...facts, ...finding.facts };
    if (finding === unanswered) {
      if (hasRemoteChecks && rule.check.type === 'remote') isAsking = true;
      // Custom code is running; its runner reports when it has returned.
      else isRunning = true;
    } else if (finding.verdict !== 'pass' && finding !== unrun) {
      const isLeft = (!hasForms || !rule.reads || form.isLeft(rule.reads)) && state.touched;
      const isSeen = state.submitted || isDue(rule, finding, isLeft);
      heard = enqueue(
        heard,
        field,
        hasForms && form.letsThrough ? lenient(rule, finding) : rule,
        finding,
        isSeen,
      );
    }
  }
  if (hasForms && form.serverFinding && form.counts)
    heard = enqueue(heard, field, ofServer, form.serverFinding, true);
  const { shown, problem } = heard;
  const isSound = problem === undefined;
  const wanted = isAsking && isSound ? wantedOf(field, state, rules, findings, raw, form) : undefined;
  return {
    display: body.display,
    content: body.content,
    raw,
    // The field's own declaration gives the type of its values.
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

/**
 * The finding of a rule: a pass while its condition does not hold; for a value it has removed, the finding
 * from then.
 */
function findingOf(
  field: HydratedField,
  body: FieldState['body'],
  rule: Rule,
  given: CheckContext,
  form: FromForm,
  refused: FieldState['refused'],
): Finding {
  if (hasForms && rule.when && !form.holds(rule.when)) return passed;
  if (hasClearRejected && refused?.rule === rule.id) return refused.finding;
  return check(field, body, rule.check, given, rule.id);
}

/** Questions to ask servers now, and whether an answer is pending. */
const wantedOf = (
  { checks: { remoteCheck } }: HydratedField,
  { questions, touched, focused }: FieldState,
  rules: readonly Rule[],
  findings: readonly Finding[],
  raw: string,
  { others, waits }: FromForm,
) =>
  hasRemoteChecks
    ? remoteCheck?.wanted(questions, rules, findings, raw, others, waits || (touched && !focused))
    : undefined;

const noAnswers: CheckContext['answers'] = {};
const nothing: Evaluation['facts'] = {};
const noRules: readonly Rule[] = [];
const noAsks: readonly Ask[] = [];

/** A server's finding is an error and is shown at once. */
const ofServer: RuleInfo = { id: 'server', show: 'at-once', severity: 'error' };

/** The rule as a warning if an unanswered question holds nothing back. */
const lenient = (rule: Rule, { code }: Finding): RuleInfo =>
  code === 'unreachable' ? { ...rule, severity: 'warning' } : rule;

/** The messages collected so far. */
interface MessageQueue {
  readonly shown: readonly VisibleMessage[];
  /** Verdict of the message that was added last. */
  readonly verdict: Verdict | undefined;
  readonly problem: string | undefined;
}

const noMessages: MessageQueue = { shown: [], verdict: undefined, problem: undefined };

/** Adds the message of a rule that does not pass. */
function enqueue(
  heard: MessageQueue,
  field: HydratedField,
  rule: RuleInfo,
  finding: Finding,
  isDue: boolean,
): MessageQueue {
  const { shown } = heard;
  const { verdict } = finding;
  const isAll = field.messages === 'all';
  const isFirst = heard.problem === undefined && rule.severity === 'error';
  // If only one message shows, a failure has precedence over something open, and an error over a warning.
  const isWorth =
    (verdict === 'fail' && heard.verdict === 'open') ||
    (rule.severity === 'error' && shown[0]?.severity === 'warning');
  const isSeen = isDue && (isAll || shown.length === 0 || isWorth);
  if (!isFirst && !isSeen) return heard;
  const said = toMessage(field, rule, finding);
  return {
    shown: !isSeen ? shown : isAll ? [...shown, said] : [said],
    verdict: isSeen ? verdict : heard.verdict,
    problem: isFirst ? said.message : heard.problem,
  };
}

/**
 * A finding as a message, whether or not it may be shown yet.
 *
 * @example
 * const [rule] = pass.rules;
 * if (rule) console.log(toMessage(pass, rule, { verdict: 'fail', code: 'required', data: {} }).message);
 */
export function toMessage(field: HydratedField, rule: RuleInfo, finding: Finding): VisibleMessage {
  return {
    rule: rule.id,
    code: rule.code ?? finding.code,
    message: finding.message ?? message(field.label, rule, finding),
    severity: rule.severity,
  };
}

/**
 * Whether the message of a rule may be shown before a submit. `leave` (the default): from the first blur on.
 * `submit`: not before the submit. `at-once`: a failure at any time, an open verdict from the first blur on,
 * when `open` is as final as `fail`.
 */
function isDue({ show }: RuleInfo, { verdict }: Finding, isLeft: boolean): boolean {
  switch (show) {
    case 'at-once':
      return verdict === 'fail' || isLeft;
    case 'leave':
      return isLeft;
    case 'submit':
      return false;
  }
}
