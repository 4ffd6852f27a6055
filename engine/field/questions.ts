import { type Answer, type Given, readBy } from '../rules/checks.ts';
import type { Rule } from '../rules/rule.ts';

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

/** Answers kept, so that a value typed again is not asked about again. */
const kept = 50;

export const nothingAsked: Questions = { open: [], answered: [] };

const isSame = (a: Question, rule: string, about: string): boolean => a.rule === rule && a.about === about;

/** The same with a question put; asked about the same again, the answer to the earlier asking is no longer waited for. */
export function ask(questions: Questions, question: Question): Questions {
  const others = <Q extends Question>(all: readonly Q[]): Q[] =>
    all.filter((one) => !isSame(one, question.rule, question.about));
  return {
    open: [...others(questions.open), question].slice(-kept),
    answered: others(questions.answered),
  };
}

/** The same with an answer taken in, for what it was about. One to a question that is not waited for changes nothing. */
export function answer(questions: Questions, id: string, given: Answer): Questions {
  const question = questions.open.find((one) => one.id === id);
  if (!question) return questions;
  return {
    open: questions.open.filter((one) => one !== question),
    answered: [...questions.answered, { ...question, answer: given }].slice(-kept),
  };
}

/** The same without what nobody answered: it is asked again. */
export function forgetUnreachable(questions: Questions): Questions {
  const answered = questions.answered.filter((one) => one.answer.verdict !== 'unreachable');
  return answered.length === questions.answered.length ? questions : { ...questions, answered };
}

/** What a rule's question is about: the raw value and, where it names fields, their values. */
export function aboutOf(raw: string, { check }: Pick<Rule, 'check'>, others: Given['others']): string {
  const names = readBy(check);
  return names.length ? JSON.stringify([raw, ...names.map((name) => others[name]?.value ?? null)]) : raw;
}

/** What was answered to a rule about that. */
export const answerTo = ({ answered }: Questions, rule: string, about: string): Answer | undefined =>
  answered.find((one) => isSame(one, rule, about))?.answer;

/** Whether a rule has asked about that and is still to be answered. */
export const isAsked = ({ open }: Questions, rule: string, about: string): boolean =>
  open.some((one) => isSame(one, rule, about));
