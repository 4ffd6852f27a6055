import type { Clearing } from './questions.ts';

const edits = ['key', 'insert', 'paste', 'autofill'];
const moments = ['leave', 'submit', 'answer'];

/**
 * What a rule with `"refused": "clear"` takes out. It refuses on leaving, on submitting, by an answer, and while typing where its message is
 * seen at once and the value is whole: never what is being typed, and never what undo has brought back.
 */
export const clearing: Clearing = (rules, { type, content, reading }) => {
  const isMoment = moments.includes(type);
  if (!content || !(isMoment || edits.includes(type)) || !rules.some(({ clears }) => clears))
    return undefined;
  const { findings, value } = reading();
  for (const [i, rule] of rules.entries()) {
    const finding = findings[i];
    if (!rule.clears || finding?.verdict !== 'fail') continue;
    const isSeen = rule.show === 'at-once' || isMoment;
    if (isSeen && (value !== null || type === 'leave' || type === 'submit'))
      return { rule: rule.id, finding };
  }
  return undefined;
};
