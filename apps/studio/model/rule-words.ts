import type { CheckDocument, RuleDocument } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import type { Limits } from '@arbeit/engine/kinds';
import type { Comparison } from '@arbeit/engine/rules';
import { limitInWords } from './limit-words.ts';

/** When a message may be seen, as people say it. */
export const showWhenWords: Readonly<Record<NonNullable<RuleDocument['show']>, string>> = {
  'at-once': 'while typing',
  leave: 'on leaving',
  submit: 'on sending',
};

const schemes: Readonly<Record<string, string>> = { luhn: 'Luhn', mod97: 'MOD 97-10', mod11: 'MOD 11-2' };

/** Comparisons, as people say them before the other field's name. */
export const comparisons: Readonly<Record<Comparison, string>> = {
  same: 'the same as',
  differs: 'not the same as',
  after: 'after',
  'not-before': 'not before',
  before: 'before',
  'not-after': 'not after',
  above: 'above',
  below: 'below',
  'at-most-days': 'at most … days after',
  'at-least-days': 'at least … days after',
};

/** Whether limits of a kind are points in time: then one says "from" and "until" of them. */
const isInTime = (limits: Limits | undefined): boolean =>
  limits !== undefined && (limits.isGood('today') || limits.isGood('09:00'));

/** What a rule asks, in words: "at most £500.00". */
export function ruleInWords(
  check: CheckDocument,
  compiled: HydratedField,
  limits: Limits | undefined,
): string {
  switch (check.type) {
    case 'required':
      return 'must be filled in';
    case 'complete':
      return 'must be complete';
    case 'not-trivial':
      return 'not easy to guess';
    case 'checksum':
      return `check character right (${schemes[check.scheme]}${check.rotate ? `, the first ${check.rotate} read last` : ''})`;
    case 'matches':
      return `as the expression ${check.pattern} says`;
    case 'in':
      return `one of ${listed(check.values)}`;
    case 'not-in':
      return `none of ${listed(check.values)}`;
    case 'length':
      return lengthInWords(check.min, check.max);
    case 'range': {
      const said = (limit: string | number): string => limitInWords(compiled, limit);
      const { min, max, step } = check;
      const isTime = isInTime(limits);
      const words: string[] = [];
      if (min !== undefined) words.push(isTime ? `from ${said(min)} on` : `at least ${said(min)}`);
      if (max !== undefined) words.push(`${isTime ? 'until' : 'at most'} ${said(max)}`);
      if (step !== undefined) words.push(`in steps of ${said(step)}`);
      return words.join(', ');
    }
    case 'compare':
      return `${comparisons[check.op].replace('…', String(check.days ?? 0))} ${check.field}`;
    case 'custom':
      return 'as own code says';
    case 'remote':
      return `as ${check.ask} answers`;
  }
}

function lengthInWords(min: number | undefined, max: number | undefined): string {
  const characters = (count: number): string => `${count} ${count === 1 ? 'character' : 'characters'}`;
  if (min !== undefined && max !== undefined)
    return min === max ? `${characters(min)} long` : `${min} to ${characters(max)} long`;
  return min === undefined ? `at most ${characters(max ?? 0)}` : `at least ${characters(min)}`;
}

/** The first few of a list, and how many more. */
function listed(values: readonly string[]): string {
  const first = values.slice(0, 3).join(', ');
  return values.length > 3 ? `${first} and ${values.length - 3} more` : first;
}
