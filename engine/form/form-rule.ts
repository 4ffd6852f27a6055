import type { Finding } from '../rules/finding.ts';
import type { Rule } from '../rules/rule.ts';

/** A rule that reads several fields. Its message stands at one of them and goes with whichever is mended. */
export interface FormRule extends Pick<Rule, 'id' | 'say' | 'words' | 'code' | 'show' | 'severity'> {
  /** Id of the field its message stands at. */
  readonly field: string;
  /** Ids of all fields it reads; that field is one of them or not. */
  readonly reads: readonly string[];
  /** What it says of their typed values, in the order of `reads`. Asked only while each of them has one. */
  judge(values: readonly string[], today: string): Finding;
}
