import type { Validator } from '../../rules/checks.ts';
import { type Finding, passed, unanswered } from '../../rules/finding.ts';

const none: Finding['data'] = {};

/** What a server answered about the value: the answer's own code, or `unreachable`. Until then it is open and says nothing. */
export const remote: Validator<'remote'> = ({ kind, plan }, body, _, { answers }, rule) => {
  if (kind.value(plan, body) === null) return passed;
  const answer = answers[rule];
  if (!answer) return unanswered;
  const { verdict, code, data = none, facts } = answer;
  if (verdict === 'unreachable') return { verdict: 'open', code: 'unreachable', data };
  const told = verdict === 'pass' ? passed : { verdict, code: code ?? 'not-allowed', data };
  return facts ? { ...told, facts } : told;
};
