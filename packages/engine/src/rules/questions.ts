import type { Answer, CheckContext } from './check-context.ts';
import type { Finding } from './finding.ts';
import type { Rule } from './rule.ts';

/**
 * What is to be found out elsewhere about a value: a rule's question, put by whoever drives the field. The engine only
 * keeps what was asked and what came back; both belong to what they were about, so an answer that comes late
 * says nothing of another value.
 */
export interface Question {
  /** Tells one asking from the next. */
  readonly id: string;
  /** Id of the rule that asks. */
  readonly rule: string;
  /** The raw value. */
  readonly value: string;
  /** What the answer holds for: the raw value, with the values of other fields where they go with it (`aboutOf`). */
  readonly about: string;
}

/** What a field was asked and answered. Immutable. */
export interface Questions {
  /** Asked and not answered yet. */
  readonly open: readonly Question[];
  /** The latest answers, the newest last. */
  readonly answered: readonly (Question & { readonly answer: Answer })[];
}

/** A question that is to be put now. */
export interface Ask {
  readonly rule: string;
  /** The raw value. */
  readonly value: string;
  /** What the answer will be kept for: hand it on in the event `ask`. */
  readonly about: string;
  /** Where to ask, and how long to wait for an answer, in milliseconds. */
  readonly path: string;
  readonly timeout: number;
  /** Whether to wait for a pause in typing. */
  readonly on: 'leave' | 'pause';
  /** Typed values of the fields the rule names. */
  readonly values: Readonly<Record<string, string | null>>;
}

export const nothingAsked: Questions = { open: [], answered: [] };

/** What becomes of what a field asks elsewhere. */
export type QuestionEvent =
  /** A question was put, `about` what its `Ask` says, or the present raw value; its answer came, under the same id. */
  | { readonly type: 'ask'; readonly id: string; readonly rule: string; readonly about?: string }
  | { readonly type: 'answer'; readonly id: string; readonly answer: Answer }
  /** What nobody answered may be asked again. */
  | { readonly type: 'ask-again' };

/** How rules ask elsewhere. A page carries it for fields that have such a rule. */
export interface RemoteCheck {
  /** The questions after an event; the same ones where it changes nothing. `raw` is the present raw value. */
  after(questions: Questions, event: QuestionEvent, raw: string): Questions;
  /** What was answered about the present value, by rule. */
  answers(
    questions: Questions,
    rules: readonly Rule[],
    raw: string,
    others: CheckContext['others'],
  ): CheckContext['answers'];
  /**
   * What the rules without an answer want to know now, and whether any of them waits for one. Asked on leaving, once the field is left
   * or a submit waits for it; on a pause, whenever there is a whole value. Nothing is asked twice.
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
