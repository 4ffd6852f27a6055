import type { Change } from '../store/followers.ts';

export type { Change };

/** Whether a change is new to a page: a later revision, or another generation of the store. */
export const isNews = (
  known: { readonly generation: string; readonly base: number },
  { generation, revision }: Change,
): boolean => generation !== known.generation || revision > known.base;
