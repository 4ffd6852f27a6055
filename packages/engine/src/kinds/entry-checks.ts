import type { Cursor } from '../faults/cursor.ts';
import { checkPatternList } from './pattern/check-list.ts';

/** Reports faults of a whole entry. `classes` are the set's own character classes, by name. */
type EntryCheck = (at: Cursor, classes: Readonly<Record<string, string>>) => void;

/**
 * Checks of whole entries beside those of the definitions, by kind: they are large, and only whoever reads
 * documents needs them.
 */
export const entryChecks: Readonly<Record<string, EntryCheck>> = { pattern: checkPatternList };
