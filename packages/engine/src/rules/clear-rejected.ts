import { type Finding, unanswered, unrun } from './finding.ts';
import type { Rule } from './rule.ts';

/** An event of a field and what followed. */
interface Happened {
  /** Type of the event (`FieldEvent`). */
  readonly type: string;
  readonly content: string;
  /** Returns the evaluation after the event. */
  evaluation(): { readonly findings: readonly Finding[]; readonly value: string | null };
}

/** Returns the rule that removes the value now, with its finding; `undefined` if none does. */
export type ClearRejected = (
  rules: readonly Rule[],
  happened: Happened,
) => { readonly rule: string; readonly finding: Finding } | undefined;

const edits = ['key', 'insert', 'paste', 'autofill'];
const moments = ['leave', 'submit', 'answer'];

/** Codes of findings without a decision about the value: a server or a check that did not answer. */
const undecided = ['unreachable', 'check-broken', 'shape-broken'];

/**
 * The rule with `"refused": "clear"` that removes a value now, with its finding; `undefined` if none does.
 * It removes what the rule shows on blur or submit, what an answer refuses, and while typing a complete
 * value that fails a rule shown at once. On blur and submit `open` is final unless an answer is pending. It
 * never removes what is being typed, nor what undo has restored.
 *
 * @example
 * const field = hydrate(compiled, { pattern: kinds.pattern.run }, { ...checks, clearRejected });
 */
export const clearRejected: ClearRejected = (rules, { type, content, evaluation }) => {
  const isMoment = moments.includes(type);
  if (!content || !(isMoment || edits.includes(type)) || !rules.some(({ clears }) => clears))
    return undefined;
  const isFinal = type === 'leave' || type === 'submit';
  const { findings, value } = evaluation();
  for (const [i, rule] of rules.entries()) {
    const finding = findings[i];
    if (!rule.clears || !finding || finding.verdict === 'pass') continue;
    if (finding.verdict === 'open' && (!isFinal || finding === unanswered || finding === unrun)) continue;
    if (undecided.includes(finding.code)) continue;
    const isSeen = type === 'leave' ? rule.show !== 'submit' : isMoment || rule.show === 'at-once';
    if (isSeen && (isFinal || value !== null)) return { rule: rule.id, finding };
  }
  return undefined;
};
