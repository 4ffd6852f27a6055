import type { Finding } from './finding.ts';
import type { Rule } from './rule.ts';

/** What a field is like right after something happened to it. */
interface Happened {
  /** What happened (`FieldEvent`). */
  readonly type: string;
  readonly content: string;
  /** What is told of it then. */
  reading(): { readonly findings: readonly Finding[]; readonly value: string | null };
}

/** Of rules that take out what they refuse, the one that does now, with what it says; `undefined`: none does. */
export type Clearing = (
  rules: readonly Rule[],
  happened: Happened,
) => { readonly rule: string; readonly finding: Finding } | undefined;

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
