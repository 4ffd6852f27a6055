import { Cursor } from '../faults/cursor.ts';
import type { DocumentFault } from '../faults/document-fault.ts';
import { type Definition, definitionIn, type KindTable, kindIn } from '../kinds/contract/definition.ts';
import { rangesOf } from '../kinds/editing/notation.ts';
import { entryChecks } from '../kinds/entry-checks.ts';
import { readOptions } from '../options/read.ts';

/** The definition of the kind of a field that may be broken. */
export function definitionFor(field: unknown, named: unknown, kinds: KindTable): Definition | undefined {
  if (typeof named !== 'string' || !Object.hasOwn(kinds, named)) return undefined;
  const { entry } = field as { entry?: unknown };
  const known = typeof entry === 'object' && entry !== null ? { entry } : {};
  return definitionIn(kinds, { kind: named, ...known });
}

/** The sound classes of a document that may be broken. */
export function charactersIn(classes: unknown): Readonly<Record<string, string>> {
  const all = typeof classes === 'object' && classes !== null ? Object.entries(classes) : [];
  return Object.fromEntries(
    all.filter(([, characters]) => typeof characters === 'string' && Array.isArray(rangesOf(characters))),
  );
}

/** Checks each option, and if these are valid, what they mean together. */
export function readEntry(
  at: Cursor,
  kind: Definition,
  name: string,
  names: readonly string[],
  classes: Readonly<Record<string, string>>,
): void {
  const before = at.faults.length;
  readOptions(at, kind.options, { classes: names });
  if (at.faults.length === before) checkEntry(at, kind, name, classes);
}

/** Checks what the options of an entry mean together. */
function checkEntry(
  at: Cursor,
  kind: Definition,
  name: string,
  classes: Readonly<Record<string, string>>,
): void {
  kind.check?.(at);
  if (Object.hasOwn(entryChecks, name)) entryChecks[name]?.(at, classes);
}

/**
 * What is wrong with valid options together, as sentences. For screens that edit entries.
 *
 * @example
 * problemsOfEntry(kinds, 'pattern', { pattern: ['<4 digit>', '<2 digit>'] }, {}).length; // 1
 */
export function problemsOfEntry(
  kinds: KindTable,
  kind: string,
  entry: object,
  classes: Readonly<Record<string, string>>,
): readonly string[] {
  const faults: DocumentFault[] = [];
  checkEntry(new Cursor(entry, '$', faults), kindIn(kinds, kind).define, kind, classes);
  return faults.map(({ message }) => message);
}
