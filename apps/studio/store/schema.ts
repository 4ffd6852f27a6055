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
 * The store itself, one row: its generation tells it from every other store, one that was put back from a
 * backup too.
 */
export const stores = pgTable('stores', {
  id: integer('id').primaryKey(),
  generation: text('generation').notNull(),
});

/** The sets, each one document with the number of its latest revision. */
export const sets = pgTable(
  'sets',
  {
    /** It never changes: drafts and saves name a set by it. */
    key: text('key').primaryKey(),
    /** The name in the addresses of its pages; it may change. */
    id: text('id').notNull(),
    revision: integer('revision').notNull(),
    document: json('document').$type<SetDocument>().notNull(),
    /** Of the document, for the shelf. */
    title: text('title').notNull(),
    fields: integer('fields').notNull(),
    changedAt: timestamp('changed_at', { withTimezone: true }).notNull().defaultNow(),
    /** When it was taken off the shelf: it can be put back, with all its revisions. */
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

/** Names that sets had: they lead to the set until another one takes them. */
export const formerIds = pgTable('former_ids', { id: text('id').primaryKey(), setKey: setKey() });

/**
 * The revisions of a set. Saves of one page within a few minutes are one revision, which then stands under
 * its latest number; `saved_by` is that page, `begun_at` when it was begun. One that somebody named stays as
 * it is.
 */
export const revisions = pgTable(
  'revisions',
  {
    setKey: setKey(),
    revision: integer('revision').notNull(),
    /** `null` of the latest: the document of the set itself. */
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

/** The log: every save that was taken, as the page sent it. What lies far back is dropped. */
export const saves = pgTable(
  'saves',
  {
    setKey: setKey(),
    revision: integer('revision').notNull(),
    page: text('page').notNull(),
    operations: json('operations').$type<readonly Operation[]>().notNull(),
    /** Of the operations, in characters. */
    size: integer('size').notNull(),
    savedAt: timestamp('saved_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.setKey, table.revision] })],
);

/**
 * Of each page that saved a set its last save that was taken: kept for ever, so that it is recognised however
 * late it comes again.
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

/** Saves that were refused because somebody else changed the same. Kept until somebody chooses, each once. */
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

/** Codes that were sent, of each its salted hash alone. */
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
    /** When it was given rightly: the mark that the address is its owner's. */
    verifiedAt: timestamp('verified_at', { withTimezone: true }),
    /** The browser that gave it rightly: it counts for that one alone. */
    verifiedBy: text('verified_by'),
    /** When what it was asked for was done: it counts no more. */
    spentAt: timestamp('spent_at', { withTimezone: true }),
  },
  (table) => [index('codes_by_address').on(table.address, table.sentAt)],
);
