import type { Answer, CheckContext } from './check-context.ts';
import { unanswered } from './finding.ts';
import type { Ask, Question, Questions, RemoteCheck } from './questions.ts';
import type { Rule } from './rule.ts';

/** Number of answers that are kept, so that a value typed again is not asked again. */
const kept = 50;

const isSame = (a: Question, rule: string, about: string): boolean => a.rule === rule && a.about === about;

/**
 * The questions with one added. If the same was asked before, the earlier request is no longer waited for.
 */
function ask(questions: Questions, question: Question): Questions {
  const others = <Q extends Question>(all: readonly Q[]): Q[] =>
    all.filter((one) => !isSame(one, question.rule, question.about));
  return {
    open: [...others(questions.open), question].slice(-kept),
    answered: others(questions.answered),
  };
}

/** The questions with an answer. An answer to a request that nobody waits for changes nothing. */
function answer(questions: Questions, id: string, given: Answer): Questions {
  const question = questions.open.find((one) => one.id === id);
  if (!question) return questions;
  return {
    open: questions.open.filter((one) => one !== question),
    answered: [...questions.answered, { ...question, answer: given }].slice(-kept),
  };
}

/** The questions without unreachable answers, so that they are asked again. */
function forgetUnreachable(questions: Questions): Questions {
  const answered = questions.answered.filter((one) => one.answer.verdict !== 'unreachable');
  return answered.length === questions.answered.length ? questions : { ...questions, answered };
}

/** What a question is about: the raw value, with the values of fields that the rule names. */
function aboutOf(raw: string, { check }: Pick<Rule, 'check'>, others: CheckContext['others']): string {
  const names = check.type === 'remote' ? check.with : [];
  return names.length ? JSON.stringify([raw, ...names.map((name) => others[name]?.value ?? null)]) : raw;
}

/** The answer to a rule about that value. */
const answerTo = ({ answered }: Questions, rule: string, about: string): Answer | undefined =>
  answered.find((one) => isSame(one, rule, about))?.answer;

/** Whether a rule has asked about that value and waits for an answer. */
const isAsked = ({ open }: Questions, rule: string, about: string): boolean =>
  open.some((one) => isSame(one, rule, about));

/** How rules ask a server. */
export const remoteCheck: RemoteCheck = {
  after(questions, event, raw) {
    if (event.type === 'answer') return answer(questions, event.id, event.answer);
    if (event.type === 'ask-again') return forgetUnreachable(questions);
    const { id, rule, about = raw } = event;
    return ask(questions, { id, rule, value: raw, about });
  },

  answers(questions, rules, raw, others) {
    const answers: Record<string, Answer> = {};
    for (const rule of rules) {
      if (rule.check.type !== 'remote') continue;
      const found = answerTo(questions, rule.id, aboutOf(raw, rule, others));
      if (found) answers[rule.id] = found;
    }
    return answers;
  },

  wanted(questions, rules, findings, raw, others, isLeft) {
    const asks: Ask[] = [];
    let isPending = false;
    for (const [i, rule] of rules.entries()) {
      if (findings[i] !== unanswered || rule.check.type !== 'remote') continue;
      const { ask: path, timeout, on } = rule.check;
      const about = aboutOf(raw, rule, others);
      const isOut = isAsked(questions, rule.id, about);
      isPending ||= isOut || isLeft;
      if (isOut || (on === 'leave' && !isLeft)) continue;
      // A server knows fields by their names.
      const values = Object.fromEntries(
        rule.check.with.map((id) => [others[id]?.name ?? id, others[id]?.value ?? null]),
      );
      asks.push({ rule: rule.id, value: raw, about, path, timeout, on: isLeft ? 'leave' : on, values });
    }
    return { asks, isPending };
  },
};
