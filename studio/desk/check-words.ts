import type { CheckDocument } from '@arbeit/engine/document';
import type { KindName } from '@arbeit/engine/kinds';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';

export type CheckType = CheckDocument['type'];

/** Each check in words, and one to begin with. */
export const checks: Readonly<
  Record<CheckType, { readonly label: string; readonly fresh: CheckDocument; readonly code: string }>
> = {
  required: { label: 'must be filled in', fresh: { type: 'required' }, code: 'required' },
  complete: { label: 'must be complete', fresh: { type: 'complete' }, code: 'incomplete' },
  length: { label: 'has a length', fresh: { type: 'length', min: 1 }, code: 'too-short' },
  matches: { label: 'matches an expression', fresh: { type: 'matches', pattern: '.*' }, code: 'no-match' },
  in: { label: 'is one of these', fresh: { type: 'in', values: ['1'] }, code: 'not-allowed' },
  range: { label: 'is in a range', fresh: { type: 'range', min: 1 }, code: 'below-min' },
  'not-trivial': { label: 'is not easy to guess', fresh: { type: 'not-trivial' }, code: 'trivial' },
  'not-in': { label: 'is none of these', fresh: { type: 'not-in', values: ['0000'] }, code: 'not-allowed' },
  checksum: {
    label: 'has a good check character',
    fresh: { type: 'checksum', scheme: 'luhn' },
    code: 'bad-checksum',
  },
};

/** The code a check would fail with, where it has not. */
export function codeOf(check: CheckDocument): string {
  if (check.type === 'range' && check.min === undefined)
    return check.max === undefined ? 'off-step' : 'above-max';
  if (check.type === 'length' && check.min === undefined) return 'too-long';
  return checks[check.type].code;
}

/** A limit to begin with, for kinds that have an order. */
export const firstLimit = (kind: KindName, kinds: KindTable): string | undefined =>
  kindIn(kinds, kind).define.limits?.begin;
