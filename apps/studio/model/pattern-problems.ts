import { type FieldDocument, problemsOfEntry } from '@arbeit/engine/document';
import type { KindTable } from '@arbeit/engine/kinds';
import { withPatterns } from './notation.ts';

/** Patterns to begin another one with: the first that can be in use behind the others. */
const begins: readonly string[] = [
  '<4 latin upper>',
  '<8 digit>',
  ...[12, 20, 40, 80, 160, 320, 640].flatMap((count) => [`<${count} alnum>`, `<${count} any>`]),
];

/** What is wrong with patterns together, each of which is sound by itself; `null` if nothing. */
export function problemWithPatterns(
  field: FieldDocument<'pattern'>,
  patterns: readonly string[],
  kinds: KindTable,
  classes: Readonly<Record<string, string>> = {},
): string | null {
  return problemsOfEntry(kinds, field.kind, withPatterns(field, patterns).entry, classes)[0] ?? null;
}

/** The patterns with one more behind them that can be in use; `undefined` if there is no room for one. */
export const withAnother = (
  patterns: readonly string[],
  problemWith: (patterns: readonly string[]) => string | null,
): readonly string[] | undefined =>
  begins.map((text) => [...patterns, text]).find((all) => problemWith(all) === null);
