import type { Change } from '../store/followers.ts';

export type { Change };

/** Whether a change is one that a page does not know: of a revision it has not seen, or of another store. */
export const isNews = (
  known: { readonly generation: string; readonly base: number },
  { generation, revision }: Change,
): boolean => generation !== known.generation || revision > known.base;
