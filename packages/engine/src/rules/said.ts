import type { CheckedText } from './checks.ts';

/**
 * The display of a field as a message may name it: of a concealed field one dot, whatever is in it. Security
 * relevant (law 14).
 */
export const saidOf = (
  { plan }: { readonly plan: unknown },
  { display }: Pick<CheckedText, 'display'>,
): string => ((plan as { readonly conceal?: unknown }).conceal === true ? '•' : display);
