/** Whether a rule passes, could still pass if the user types on, or fails. */
export type Verdict = 'pass' | 'open' | 'fail';

/** A verdict with what a message needs. */
export interface Finding {
  readonly verdict: Verdict;
  /** Error code; meaningless if the verdict is `pass`. */
  readonly code: string;
  /** Data for `{name}` in a message, each as the field displays it. */
  readonly data: Readonly<Record<string, string>>;
  /** Facts beside the verdict, by name: shown beside the field and sent with the record. */
  readonly facts?: Readonly<Record<string, string>>;
  /** The message, if it is worded already. */
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
/** The finding while a server's answer is pending. It is no error, so nothing is shown. */
export const unanswered: Finding = { verdict: 'open', code: 'unanswered', data: none };
/**
 * The finding of custom code that nothing runs. It holds nothing back on a page; a server refuses the record.
 */
export const unrun: Finding = { verdict: 'open', code: 'unanswered', data: none };
