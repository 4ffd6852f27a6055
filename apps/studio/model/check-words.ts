import type { CheckDocument } from '@arbeit/engine/document';
import type { Definition } from '@arbeit/engine/kinds';

/** A rule to begin with, as a menu offers it. */
export interface Beginning {
  readonly id: string;
  readonly label: string;
  readonly check: CheckDocument;
  /** Stands under a line that parts it from those before. */
  readonly isApart?: boolean;
}

const always: readonly Beginning[] = [
  { id: 'required', label: 'must be filled in', check: { type: 'required' } },
];

/** Of the check types, those that say nothing of a kind's values are not offered for it. */
const others: readonly Beginning[] = [
  { id: 'length', label: 'has a length', check: { type: 'length', min: 1 }, isApart: true },
  { id: 'matches', label: 'matches an expression', check: { type: 'matches', pattern: '.*' } },
  { id: 'in', label: 'is one of these', check: { type: 'in', values: ['1'] } },
  { id: 'not-in', label: 'is none of these', check: { type: 'not-in', values: ['0000'] } },
  { id: 'not-trivial', label: 'is not easy to guess', check: { type: 'not-trivial' } },
  { id: 'luhn', label: 'is a card number (Luhn)', check: { type: 'checksum', scheme: 'luhn' }, isApart: true },
  { id: 'iban', label: 'is an IBAN (MOD 97-10, the first four read last)', check: { type: 'checksum', scheme: 'mod97', rotate: 4 } },
  { id: 'own', label: 'own code says so', check: { type: 'custom', code: 'export default ({ value }) => {\n  // Nothing passes; { code: "custom-code" } does not.\n};\n' }, isApart: true },
  { id: 'ask', label: 'a server says so', check: { type: 'remote', ask: '/api/services/passes' } },
  { id: 'check', label: 'has another check character', check: { type: 'checksum', scheme: 'mod11' } },
]; // biome-ignore format: one rule a line

/** The rules a field of a kind can begin with: one a bound, so that each has a message of its own. */
export function beginnings({ limits, pointless = [] }: Definition): readonly Beginning[] {
  const bounds: Beginning[] = limits
    ? [
        {
          id: 'least',
          label: 'has a lower limit',
          check: { type: 'range', min: limits.begin },
          isApart: true,
        },
        { id: 'most', label: 'has an upper limit', check: { type: 'range', max: limits.begin } },
        ...(limits.hasSteps
          ? [{ id: 'steps', label: 'goes in steps', check: { type: 'range', step: '1' } } as const]
          : []),
      ]
    : [];
  return [...always, ...bounds, ...others.filter(({ check }) => !pointless.includes(check.type))];
}

/** The code a check would fail with, where it has not. */
export function codeOf(check: CheckDocument): string {
  switch (check.type) {
    case 'required':
      return 'required';
    case 'complete':
      return 'incomplete';
    case 'length':
      return check.min === undefined ? 'too-long' : 'too-short';
    case 'matches':
      return 'no-match';
    case 'in':
    case 'not-in':
      return 'not-allowed';
    case 'not-trivial':
      return 'trivial';
    case 'checksum':
      return 'bad-checksum';
    case 'range':
      return check.min !== undefined ? 'below-min' : check.max !== undefined ? 'above-max' : 'off-step';
    case 'compare':
      return 'differs';
    case 'custom':
      return 'no-match';
    case 'remote':
      return 'not-allowed';
  }
}
