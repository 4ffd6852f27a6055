import type { CheckedText } from './checks.ts';

/**
 * Whether a field with this plan conceals what is typed. Security relevant (law 14).
 *
 * @example
 * conceals({ conceal: true }); // true
 */
export const conceals = (plan: unknown): boolean => (plan as { readonly conceal?: unknown }).conceal === true;

/**
 * The display of a field for use in a message. For a concealed field this is one dot. Security relevant
 * (law 14).
 */
export const saidOf = (
  { plan }: { readonly plan: unknown },
  { display }: Pick<CheckedText, 'display'>,
): string => (conceals(plan) ? '•' : display);
