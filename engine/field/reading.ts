import { check, type Given } from '../rules/checks.ts';
import type { Finding, Verdict } from '../rules/finding.ts';
import { message } from '../rules/message.ts';
import type { Rule } from '../rules/rule.ts';
import type { OpenField } from './kind.ts';
import type { FieldState } from './moment.ts';
import { answersAbout, isPending, nothingAsked } from './questions.ts';
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

/** What can be told of a field at one moment. Worked out from the state alone, never kept beside it. */
export interface Reading {
  readonly display: string;
  readonly content: string;
  readonly raw: string;
  readonly value: string | null;
  readonly flags: Flags;
  /** One finding a rule, in the rules' order. */
  readonly findings: readonly Finding[];
  readonly shown: readonly Shown[];
  /** The message of the first error, seen or not; empty when valid. What constraint validation is told. */
  readonly problem: string;
}

/** What a form adds to the reading of one of its fields. */
export interface FromForm {
  /** Typed values of other fields, by id. */
  readonly others: Given['others'];
  /** What its rules that stand at the field say, and whether all they read has been left. */
  readonly findings: readonly {
    readonly rule: Voice;
    readonly finding: Finding;
    readonly isLeft: boolean;
  }[];
}

export const noForm: FromForm = { others: {}, findings: [] };

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
export function read(field: OpenField, state: FieldState, today = '', form: FromForm = noForm): Reading {
  const { body, questions } = state;
  const { plan, kind } = field;
  const raw = kind.raw(plan, body);
  const isAsked = questions !== nothingAsked;
  const answers = isAsked ? answersAbout(questions, raw) : noAnswers;
  const given: Given = { today, others: form.others, answers };
  const findings: Finding[] = [];
  // Mostly every rule passes: then there is nothing to weigh.
  let heard = silence;
  for (const rule of field.rules) {
    const finding = check(field, body, rule.check, given);
    findings.push(finding);
    if (finding.verdict !== 'pass')
      heard = hear(heard, field, rule, finding, state.submitted || isDue(rule, finding, state.touched));
  }
  for (const { rule, finding, isLeft } of form.findings) {
    findings.push(finding);
    if (finding.verdict !== 'pass')
      heard = hear(heard, field, rule, finding, state.submitted || isDue(rule, finding, isLeft));
  }
  const { shown, problem } = heard;
  return {
    display: body.display,
    content: body.content,
    raw,
    value: kind.value(plan, body),
    flags: {
      focused: state.focused,
      touched: state.touched,
      dirty: raw !== initialRaw(field),
      complete: body.complete,
      valid: problem === undefined,
      pending: isAsked && isPending(questions, raw),
    },
    findings,
    shown,
    problem: problem ?? '',
  };
}

const noAnswers: Given['answers'] = {};

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
  // Where one message is shown, what fails is worth more than what is still open.
  const isSeen = isDue && (isAll || shown.length === 0 || (verdict === 'fail' && heard.verdict === 'open'));
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
    message: message(field.label, rule, finding),
    severity: rule.severity,
  };
}

/**
 * Whether a rule's message is due before the submit. `leave` (the default) is quiet until what it speaks of was first
 * left and live from then on; `submit` waits for the submit. `at-once` shows what fails at any time and what is
 * open only once submitted: a form must not be held back by something nobody is told.
 */
function isDue({ show }: Voice, { verdict }: Finding, isLeft: boolean): boolean {
  switch (show) {
    case 'at-once':
      return verdict === 'fail';
    case 'leave':
      return isLeft;
    case 'submit':
      return false;
  }
}
