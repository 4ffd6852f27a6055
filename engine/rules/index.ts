export type { CarriedCheck, Checks, Judge } from './checks.ts';
export { parseExpression } from './expression.ts';
export { type Finding, passed, type Verdict } from './finding.ts';
export type { Check, Comparison, Rule } from './rule.ts';
export { english } from './wording/english.ts';
export { german } from './wording/german.ts';
export { type Languages, type Wording, wordingFor, wordsOf } from './wording.ts';
