import type { SetDocument } from '@arbeit/engine/document';
import { bigint, index, integer, json, pgTable, primaryKey, text, timestamp } from 'drizzle-orm/pg-core';

/** The sets, each one document with the number of its latest revision. */
export const sets = pgTable('sets', {
  id: text('id').primaryKey(),
  revision: integer('revision').notNull(),
  document: json('document').$type<SetDocument>().notNull(),
  changedAt: timestamp('changed_at', { withTimezone: true }).notNull().defaultNow(),
  /** When it was taken off the shelf: it can be put back, with all its revisions. */
  deletedAt: timestamp('deleted_at', { withTimezone: true }),
});

/**
 * The revisions of a set. Saves of one page within a few minutes are one revision, which then stands under its latest
 * number; `saved_by` is that page, `begun_at` when it was begun. One that somebody named stays as it is.
 */
export const revisions = pgTable(
  'revisions',
  {
    setId: text('set_id').notNull(),
    revision: integer('revision').notNull(),
    document: json('document').$type<SetDocument>().notNull(),
    savedAt: timestamp('saved_at', { withTimezone: true }).notNull().defaultNow(),
    begunAt: timestamp('begun_at', { withTimezone: true }).notNull().defaultNow(),
    savedBy: text('saved_by').notNull().default(''),
    name: text('name'),
  },
  (table) => [primaryKey({ columns: [table.setId, table.revision] })],
);

/** Saves that came too late: made on a revision that was no longer the latest. Kept until somebody chooses. */
export const refused = pgTable(
  'refused',
  {
    id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
    setId: text('set_id').notNull(),
    baseRevision: integer('base_revision').notNull(),
    document: json('document').$type<SetDocument>().notNull(),
    savedAt: timestamp('saved_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index('refused_by_set').on(table.setId)],
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
