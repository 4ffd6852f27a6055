export { type Walker, walkerOf } from './automaton.ts';
export type { Automaton, ExpressionNode } from './automaton-data.ts';
export { type CarriedCheck, type Checks, carriedBy, type Validator } from './checks.ts';
export type { Comparison } from './comparison.ts';
export * from './compiled-checks.ts';
export type { CodeInput, CodeOutcome, RunCode } from './custom.ts';
export { distinguishingText, type StateBudget } from './difference.ts';
export { parseExpression } from './expression.ts';
export { type Finding, passed, type Verdict } from './finding.ts';
export type { Check, Rule } from './rule.ts';
export { languages } from './wording/all.ts';
export {
  formOf,
  type Languages,
  numbersOf,
  type Plural,
  pluralCategories,
  type Wording,
  wordingFor,
} from './wording.ts';
