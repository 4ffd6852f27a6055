import type { EditedSet } from '../../model/use-set.ts';

/** Sets that are shown on this page, by key: a field copied to one of them is added there directly. */
export const laidOut = new Map<string, EditedSet>();
