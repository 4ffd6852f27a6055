import { alone, check } from '../rules/checks.ts';
import type { Finding, Verdict } from '../rules/finding.ts';
import { message } from '../rules/messages.ts';
import type { Rule } from '../rules/rule.ts';
import type { OpenField } from './kind.ts';
import type { FieldState } from './moment.ts';
import { start } from './state.ts';

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

const nothing: readonly Shown[] = [];

/**
 * What can be told of a state. `today` is the clock, an ISO 8601 date; only relative limits ask for it, and without one
 * they hold nothing back: no day is made up.
 */
export function read(field: OpenField, state: FieldState, today = ''): Reading {
  const { body } = state;
  const { plan, rules, kind } = field;
  const asked = alone(today);
  const findings: Finding[] = [];
  let shown: Shown[] | undefined;
  let shownVerdict: Verdict | undefined;
  let problem: string | undefined;
  for (const rule of rules) {
    const finding = check(field, body, rule.check, asked);
    findings.push(finding);
    const { verdict } = finding;
    if (verdict === 'pass') continue;
    const isFirst = problem === undefined && rule.severity === 'error';
    // Where one message is shown, what fails is worth more than what is still open.
    const isBetter = !shown || field.messages === 'all' || (verdict === 'fail' && shownVerdict === 'open');
    const isSeen = isBetter && maySee(rule, verdict, state);
    if (!isFirst && !isSeen) continue;
    const said = told(field, rule, finding);
    if (isFirst) problem = said.message;
    if (!isSeen) continue;
    if (shown && field.messages === 'all') shown.push(said);
    else shown = [said];
    shownVerdict = verdict;
  }
  const raw = kind.raw(plan, body);
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
      pending: false,
    },
    findings,
    shown: shown ?? nothing,
    problem: problem ?? '',
  };
}

/** A finding as a message, whether or not it may be seen yet. */
export function told(field: OpenField, rule: Rule, finding: Finding): Shown {
  return {
    rule: rule.id,
    code: rule.code ?? finding.code,
    message: message(field, rule.say, finding),
    severity: rule.severity,
  };
}

/**
 * Whether a rule's message may be seen. `leave` (the default) is quiet until the field was first left or
 * submitted and live from then on; `submit` waits for the submit. `at-once` shows what fails at any time and
 * what is open only once submitted: a form must not be held back by something nobody is told.
 */
function maySee(rule: Rule, verdict: Verdict, state: FieldState): boolean {
  if (state.submitted) return true;
  switch (rule.show) {
    case 'at-once':
      return verdict === 'fail';
    case 'leave':
      return state.touched;
    case 'submit':
      return false;
  }
}
