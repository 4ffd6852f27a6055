import { createHash } from 'node:crypto';
import { asc, eq, getTableColumns, sql } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import { z } from 'zod';
import * as words from '../words/store/backup.ts';
import type { Database } from './database.ts';
import { channel, payloadOfRestore } from './followers.ts';
import { reads } from './read-on-server.ts';
import { formerIds, pages, refused, revisions, saves, sets, stores } from './schema.ts';
import { generationOf } from './sets.ts';

/**
 * A backup is a text file of JSON lines (UTF-8): a header, one line per row of a table, and at the end the
 * number of rows and the SHA-256 of all bytes before that line. It contains the sets with all revisions,
 * saves and refused saves. Codes that were sent are left out, because they are valid for minutes only.
 */
const version = 1;

/** The tables in the order in which they can be restored: sets before what belongs to them. */
const tables = { sets, formerIds, revisions, saves, pages, refused } as const;
type Name = keyof typeof tables;
const names = Object.keys(tables) as Name[];

/** Something is wrong with a backup, or with the store it is restored to. */
export class BackupFault extends Error {
  override readonly name = 'BackupFault';
}

const headShape = z.object({
  arbeit: z.literal('backup'),
  version: z.int(),
  at: z.string(),
  generation: z.string(),
});
const endShape = z.object({ end: z.literal(true), rows: z.int(), sha256: z.string() });
const rowShape = z.object({ table: z.enum(names), row: z.record(z.string(), z.unknown()) });

/** Whether the database generates a column. Such a column is not restored. */
const isGiven = (name: string, table: Name): boolean => table === 'refused' && name === 'id';

/** The whole store as the lines of a backup, from one consistent snapshot. */
export async function* backupOf(db: Database, at: Date): AsyncGenerator<string> {
  const hash = createHash('sha256');
  let rows = 0;
  const line = (value: object): string => {
    const text = `${JSON.stringify(value)}\n`;
    hash.update(text);
    return text;
  };
  yield line({ arbeit: 'backup', version, at: at.toISOString(), generation: await generationOf(db) });
  const keys = await db.select({ key: sets.key }).from(sets).orderBy(asc(sets.key));
  // Set by set, so that only one is in memory.
  for (const { key } of keys)
    for (const name of names) {
      const table = tables[name] as PgTable;
      const owner = name === 'sets' ? sets.key : (tables[name] as typeof revisions).setKey;
      for (const row of await db.select().from(table).where(eq(owner, key))) {
        rows++;
        const entries = Object.entries(row).filter(([column]) => !isGiven(column, name));
        yield line({ table: name, row: Object.fromEntries(entries) });
      }
    }
  yield `${JSON.stringify({ end: true, rows, sha256: hash.digest('hex') })}\n`;
}

/** What was restored. */
export interface Restored {
  readonly sets: number;
  readonly rows: number;
  /** When the backup was made, ISO 8601. */
  readonly at: string;
  /** Ids of sets whose documents this version cannot read; they are restored unchanged. */
  readonly unreadable: readonly string[];
}

const parsed = (text: string, number: number): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    throw new BackupFault(words.lineIsNotJson(number));
  }
};

interface Checked {
  readonly at: string;
  readonly rows: readonly z.infer<typeof rowShape>[];
}

/** Reads and checks a whole backup before anything is changed. Throws `BackupFault`. */
function checked(text: string): Checked {
  const lines = text.split('\n');
  if (lines.pop() !== '') throw new BackupFault(words.theFileIsIncomplete);
  const head = headShape.safeParse(parsed(lines[0] ?? '', 1));
  if (!head.success) throw new BackupFault(words.line1);
  if (head.data.version !== version)
    throw new BackupFault(words.theFileHasVersion(head.data.version, version));
  const last = lines.length;
  const end = endShape.safeParse(parsed(lines[last - 1] ?? '', last));
  if (!end.success) throw new BackupFault(words.theFileIsIncompleteEnd);
  const before = lines.slice(0, -1).map((line) => `${line}\n`);
  const sum = createHash('sha256').update(before.join('')).digest('hex');
  if (sum !== end.data.sha256)
    throw new BackupFault(words.theChecksumDoesNotMatch);
  const rows = lines.slice(1, -1).map((line, i) => {
    const row = rowShape.safeParse(parsed(line, i + 2));
    if (!row.success) throw new BackupFault(words.lineIsNotARow(i + 2));
    return row.data;
  });
  if (rows.length !== end.data.rows)
    throw new BackupFault(words.theFileHasRowsBut(rows.length, end.data.rows));
  return { at: head.data.at, rows };
} // biome-ignore format: a check a line

/** A value as its column accepts it: times are texts in the file. */
function valueFor(table: PgTable, name: string, value: unknown): unknown {
  const column = getTableColumns(table)[name];
  if (!column) throw new BackupFault(words.unknownColumn(name));
  return column.dataType === 'date' && typeof value === 'string' ? new Date(value) : value;
}

/**
 * Replaces the content of a store with a backup, completely or not at all. The store gets a new generation,
 * and open pages are notified. A store that contains saves is not replaced unless `replaces` is set. Throws
 * `BackupFault`.
 */
export async function restoreInto(
  db: Database,
  text: string,
  { replaces }: { readonly replaces: boolean },
): Promise<Restored> {
  const { at, rows } = checked(text);
  return db.transaction(async (tx) => {
    const present = await tx.select({ id: sets.id, revision: sets.revision }).from(sets);
    if (!replaces && !present.every(({ id, revision }) => id === 'ridge-huts' && revision === 1))
      throw new BackupFault(words.theStoreAlreadyHasSets(present.length));
    // Deleting them also deletes what belongs to them.
    await tx.delete(sets);
    const unreadable: string[] = [];
    for (const { table: name, row } of rows) {
      const table = tables[name] as PgTable;
      const values = Object.entries(row).map(([column, value]) => [column, valueFor(table, column, value)]);
      await tx.insert(table).values(Object.fromEntries(values));
      if (name === 'sets' && !reads(row.document).ok) unreadable.push(String(row.id));
    }
    const generation = `g_${crypto.randomUUID().replaceAll('-', '')}`;
    await tx.update(stores).set({ generation });
    await tx.execute(sql`select pg_notify(${channel}, ${payloadOfRestore(generation)})`);
    const count = rows.filter(({ table }) => table === 'sets').length;
    return { sets: count, rows: rows.length, at, unreadable };
  });
}
