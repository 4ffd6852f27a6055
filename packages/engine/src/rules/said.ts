import type { CheckedText } from './checks.ts';

/**
 * The display of a field for use in a message. For a concealed field this is one dot. Security relevant
 * (law 14).
 */
export const saidOf = (
  { plan }: { readonly plan: unknown },
  { display }: Pick<CheckedText, 'display'>,
): string => ((plan as { readonly conceal?: unknown }).conceal === true ? '•' : display);
