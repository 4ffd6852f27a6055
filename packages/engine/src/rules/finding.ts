/** What a rule says of a value: it holds, it could still hold if the user types on, or it cannot. */
export type Verdict = 'pass' | 'open' | 'fail';

/** A rule's answer with what a message needs. */
export interface Finding {
  readonly verdict: Verdict;
  /** Code for the program, meaningful unless the verdict is `pass`. */
  readonly code: string;
  /** Data for `{name}` in a message, each in the field's own display form. */
  readonly data: Readonly<Record<string, string>>;
  /** What was found out beside it, by name: shown beside the field, sent with the record. */
  readonly facts?: Readonly<Record<string, string>>;
  /** Its message, where whoever found it has worded it already. */
  readonly message?: string;
}

const none: Finding['data'] = {};

/**
 * The finding of a rule that passes.
 *
 * @example
 * const isGood = (finding: Finding) => finding === passed;
 */
export const passed: Finding = { verdict: 'pass', code: '', data: none };
export const incomplete: Finding = { verdict: 'open', code: 'incomplete', data: none };
/** What cannot be said before somebody elsewhere has answered, who is on it. It is no mistake: nothing is said of it. */
export const unanswered: Finding = { verdict: 'open', code: 'unanswered', data: none };
/** What nobody here can say at all: own code where nothing runs it. It holds nothing back on a page; a server takes no record with it. */
export const unrun: Finding = { verdict: 'open', code: 'unanswered', data: none };
