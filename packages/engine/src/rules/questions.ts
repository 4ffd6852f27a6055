import type { Answer, CheckContext } from './check-context.ts';
import type { Finding } from './finding.ts';
import type { Rule } from './rule.ts';

/**
 * A question to a server about a value. Whoever drives the field asks it; the engine only keeps questions and
 * answers by what they are about, so a late answer has no effect on another value.
 */
export interface Question {
  /** Distinguishes one request from the next. */
  readonly id: string;
  /** Id of the rule. */
  readonly rule: string;
  /** The raw value. */
  readonly value: string;
  /**
   * What the answer is valid for: the raw value, with values of other fields if they were sent (`aboutOf`).
   */
  readonly about: string;
}

/** Questions and answers of a field. Immutable. */
export interface Questions {
  /** Questions without an answer yet. */
  readonly open: readonly Question[];
  /** The latest answers, newest last. */
  readonly answered: readonly (Question & { readonly answer: Answer })[];
}

/** A question to ask now. */
export interface Ask {
  readonly rule: string;
  /** The raw value. */
  readonly value: string;
  /** What the answer will be valid for. Pass it on in the event `ask`. */
  readonly about: string;
  /** Path to ask, and the time limit in milliseconds. */
  readonly path: string;
  readonly timeout: number;
  /** Whether the check runs after a pause in typing rather than on blur. */
  readonly on: 'leave' | 'pause';
  /** Typed values of the fields that the rule is about, by name (`fieldName`). */
  readonly values: Readonly<Record<string, string | null>>;
}

export const nothingAsked: Questions = { open: [], answered: [] };

/** Events about questions. */
export type QuestionEvent =
  /**
   * A question was asked (`about` as in its `Ask`, otherwise the current raw value), or its answer came, with
   * the same id.
   */
  | { readonly type: 'ask'; readonly id: string; readonly rule: string; readonly about?: string }
  | { readonly type: 'answer'; readonly id: string; readonly answer: Answer }
  /** Unanswered questions may be asked again. */
  | { readonly type: 'ask-again' };

/** How rules ask servers. A page carries it for fields with such a rule. */
export interface RemoteCheck {
  /** The questions after an event; the same object if it changes nothing. `raw` is the current raw value. */
  after(questions: Questions, event: QuestionEvent, raw: string): Questions;
  /** Answers about the current value, by rule id. */
  answers(
    questions: Questions,
    rules: readonly Rule[],
    raw: string,
    others: CheckContext['others'],
  ): CheckContext['answers'];
  /**
   * Questions of rules without an answer to ask now, and whether an answer is pending. `leave`: once the
   * field is left or a submit waits. `pause`: whenever the value is complete. Nothing is asked twice.
   */
  wanted(
    questions: Questions,
    rules: readonly Rule[],
    findings: readonly Finding[],
    raw: string,
    others: CheckContext['others'],
    isLeft: boolean,
  ): { readonly asks: readonly Ask[]; readonly isPending: boolean };
}
