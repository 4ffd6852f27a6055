import type { SetDocument } from '@arbeit/engine/document';
import {
  bigint,
  index,
  integer,
  json,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core';
import { type Changed, nothingChanged } from './changed.ts';
import type { Operation } from './operations.ts';

/**
 * The store itself, one row. Its generation distinguishes it from every other store, also from one restored
 * from a backup.
 */
export const stores = pgTable('stores', {
  id: integer('id').primaryKey(),
  generation: text('generation').notNull(),
});

/** The sets, each one document with the number of its latest revision. */
export const sets = pgTable(
  'sets',
  {
    /** It never changes; drafts and saves refer to a set by it. */
    key: text('key').primaryKey(),
    /** The name in the addresses of its pages; it may change. */
    id: text('id').notNull(),
    revision: integer('revision').notNull(),
    document: json('document').$type<SetDocument>().notNull(),
    /** Copied from the document for the shelf. */
    title: text('title').notNull(),
    fields: integer('fields').notNull(),
    changedAt: timestamp('changed_at', { withTimezone: true }).notNull().defaultNow(),
    /** When it was deleted from the shelf. It can be restored with all its revisions. */
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
    /** Revisions and refused saves that were dropped because there were too many. */
    droppedRevisions: integer('dropped_revisions').notNull().default(0),
    droppedRefused: integer('dropped_refused').notNull().default(0),
  },
  (table) => [uniqueIndex('sets_by_id').on(table.id)],
);

const setKey = () =>
  text('set_key')
    .notNull()
    .references(() => sets.key, { onDelete: 'cascade' });

/** Former ids of sets. They lead to the set until another one takes them. */
export const formerIds = pgTable('former_ids', { id: text('id').primaryKey(), setKey: setKey() });

/**
 * The revisions of a set. Saves of one page within a few minutes are one revision, with the latest of their
 * numbers; `saved_by` is that page, `begun_at` when it was begun. A named revision never changes.
 */
export const revisions = pgTable(
  'revisions',
  {
    setKey: setKey(),
    revision: integer('revision').notNull(),
    /** `null` for the latest: its document is that of the set itself. */
    document: json('document').$type<SetDocument>(),
    savedAt: timestamp('saved_at', { withTimezone: true }).notNull().defaultNow(),
    begunAt: timestamp('begun_at', { withTimezone: true }).notNull().defaultNow(),
    savedBy: text('saved_by').notNull().default(''),
    name: text('name'),
    /** Empty for revisions that were stored before Arbeit recorded it. */
    changed: json('changed').$type<Changed>().notNull().default(nothingChanged),
  },
  (table) => [primaryKey({ columns: [table.setKey, table.revision] })],
);

/** The log: every accepted save, as the page sent it. Old entries are deleted. */
export const saves = pgTable(
  'saves',
  {
    setKey: setKey(),
    revision: integer('revision').notNull(),
    page: text('page').notNull(),
    operations: json('operations').$type<readonly Operation[]>().notNull(),
    /** Size of the operations, in characters. */
    size: integer('size').notNull(),
    savedAt: timestamp('saved_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.setKey, table.revision] })],
);

/**
 * The last accepted save of each page, per set. Kept for ever, so that it is recognised however late it is
 * repeated.
 */
export const pages = pgTable(
  'pages',
  {
    setKey: setKey(),
    page: text('page').notNull(),
    counter: integer('counter').notNull(),
    digest: text('digest').notNull(),
  },
  (table) => [primaryKey({ columns: [table.setKey, table.page] })],
);

/**
 * Saves that were refused because somebody else changed the same member. Each is kept once until somebody
 * decides.
 */
export const refused = pgTable(
  'refused',
  {
    id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
    setKey: setKey(),
    baseRevision: integer('base_revision').notNull(),
    digest: text('digest').notNull(),
    document: json('document').$type<SetDocument>().notNull(),
    savedAt: timestamp('saved_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [uniqueIndex('refused_once').on(table.setKey, table.digest)],
);

/** Codes that were sent, as salted hashes only. */
export const codes = pgTable(
  'codes',
  {
    id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
    /** A telephone number (E.164) or an e-mail address. */
    address: text('address').notNull(),
    salt: text('salt').notNull(),
    hash: text('hash').notNull(),
    sentAt: timestamp('sent_at', { withTimezone: true }).notNull(),
    expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
    attempts: integer('attempts').notNull().default(0),
    /** When it was entered correctly, which proves that the address belongs to the user. */
    verifiedAt: timestamp('verified_at', { withTimezone: true }),
    /** The browser that entered it correctly; the code is valid for that one only. */
    verifiedBy: text('verified_by'),
    /** When it was used up; it is no longer valid. */
    spentAt: timestamp('spent_at', { withTimezone: true }),
  },
  (table) => [index('codes_by_address').on(table.address, table.sentAt)],
);
