/**
 * What is to be found out elsewhere about a value: a rule's question, put by whoever drives the field. The engine only
 * keeps what was asked and what came back; both belong to the value they were about, so an answer that comes late
 * says nothing of another one.
 */
export interface Question {
  /** Tells one asking from the next. */
  readonly id: string;
  /** Id of the rule that asks. */
  readonly rule: string;
  /** The raw value it is about. */
  readonly value: string;
}

/** What came back. `unreachable`: nobody answered; it can be asked again. */
export interface Answer {
  readonly verdict: 'pass' | 'fail' | 'unreachable';
  readonly code?: string;
  readonly data?: Readonly<Record<string, string>>;
}

/** What a field was asked and answered. Immutable. */
export interface Questions {
  /** Asked and not answered yet. */
  readonly open: readonly Question[];
  /** The latest answers, the newest last. */
  readonly answered: readonly (Question & { readonly answer: Answer })[];
}

/** Answers kept, so that a value typed again is not asked about again. */
const kept = 50;

export const nothingAsked: Questions = { open: [], answered: [] };

/** The same with a question put. One rule waits for one answer: what it asked before is no longer waited for. */
export function ask(questions: Questions, question: Question): Questions {
  return {
    open: [...questions.open.filter(({ rule }) => rule !== question.rule), question],
    answered: questions.answered.filter((one) => one.rule !== question.rule || one.value !== question.value),
  };
}

/** The same with an answer taken in. One to a question that is not waited for changes nothing. */
export function answer(questions: Questions, id: string, given: Answer): Questions {
  const question = questions.open.find((one) => one.id === id);
  if (!question) return questions;
  return {
    open: questions.open.filter((one) => one !== question),
    answered: [...questions.answered, { ...question, answer: given }].slice(-kept),
  };
}

/** What was answered about a value, by rule. */
export function answersAbout(questions: Questions, value: string): Readonly<Record<string, Answer>> {
  const answers: Record<string, Answer> = {};
  for (const one of questions.answered) if (one.value === value) answers[one.rule] = one.answer;
  return answers;
}

/** Whether something asked about a value is still to be answered. */
export const isPending = (questions: Questions, value: string): boolean =>
  questions.open.some((one) => one.value === value);
