import type { Validator } from '../../rules/checks.ts';
import { type Finding, passed, unanswered } from '../../rules/finding.ts';

const none: Finding['data'] = {};

/**
 * The answer of a server about the value, with the answer's own code, or `unreachable`. It is open until
 * there is an answer.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, { remote, remoteCheck });
 */
export const remote: Validator<'remote'> = ({ kind, plan }, body, _, { answers }, rule) => {
  if (kind.value(plan, body) === null) return passed;
  const answer = answers[rule];
  if (!answer) return unanswered;
  const { verdict, code, data = none, facts } = answer;
  if (verdict === 'unreachable') return { verdict: 'open', code: 'unreachable', data };
  const told = verdict === 'pass' ? passed : { verdict, code: code ?? 'not-allowed', data };
  return facts ? { ...told, facts } : told;
};
