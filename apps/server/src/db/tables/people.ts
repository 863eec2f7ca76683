import type { Account } from '@early-lantern/contract';
import { foreignKey, index, integer, jsonb, pgTable, primaryKey, text, timestamp } from 'drizzle-orm/pg-core';
import { ofWorkshop, revisioned } from './columns.ts';
import { belongsToJob } from './jobs.ts';

/** Those who may come in, once somebody has said that not everybody may. */
export const accounts = pgTable(
  'accounts',
  {
    ...ofWorkshop,
    id: text().notNull(),
    data: jsonb().$type<Account>().notNull(),
    /** Argon2id, as one text with its parameters. */
    passwordHash: text('password_hash'),
    pinHash: text('pin_hash'),
    /** Wrong passwords or PINs since the last right one, and until when no other is taken. */
    wrongTries: integer('wrong_tries').notNull().default(0),
    lockedUntil: timestamp('locked_until', { withTimezone: true }),
    /** SHA-256 of the token that sets a password; and when that ends. */
    inviteHash: text('invite_hash'),
    invitedUntil: timestamp('invited_until', { withTimezone: true }),
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
    ...revisioned,
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.id] })],
);

/** Devices on which somebody is signed in. */
export const sessions = pgTable(
  'sessions',
  {
    /** SHA-256 of the cookie's token: whoever reads this table cannot come in with it. */
    tokenHash: text('token_hash').primaryKey(),
    ...ofWorkshop,
    accountId: text('account_id').notNull(),
    seenAt: timestamp('seen_at', { withTimezone: true }).notNull().defaultNow(),
    endsAt: timestamp('ends_at', { withTimezone: true }).notNull(),
    /** Signed in with a PIN on this shared phone. */
    phoneId: text('phone_id').references(() => phones.id, { onDelete: 'cascade' }),
  },
  (table) => [
    foreignKey({
      columns: [table.workshopId, table.accountId],
      foreignColumns: [accounts.workshopId, accounts.id],
    }).onDelete('cascade'),
    index('sessions_by_account').on(table.workshopId, table.accountId),
  ],
);

/** Phones that several use, each with their PIN. */
export const phones = pgTable('phones', {
  ...ofWorkshop,
  id: text().primaryKey(),
  name: text().notNull(),
  tokenHash: text('token_hash').notNull().unique(),
  since: timestamp({ withTimezone: true }).notNull().defaultNow(),
});

/** Links that let somebody see one job, and what they signed. */
export const jobLinks = pgTable(
  'job_links',
  {
    ...ofWorkshop,
    id: text().primaryKey(),
    jobId: text('job_id').notNull(),
    name: text().notNull(),
    tokenHash: text('token_hash').notNull().unique(),
    until: timestamp({ withTimezone: true }).notNull(),
    signedBy: text('signed_by'),
    signedAt: timestamp('signed_at', { withTimezone: true }),
    remarks: text().notNull().default(''),
  },
  (table) => [belongsToJob(table), index('job_links_by_job').on(table.workshopId, table.jobId)],
);

/** Links by which somebody's calendar reads their tasks. */
export const calendarLinks = pgTable('calendar_links', {
  ...ofWorkshop,
  id: text().primaryKey(),
  /** Of the crew; it stays where they are gone, and leads nowhere then. */
  personId: text('person_id').notNull(),
  tokenHash: text('token_hash').notNull().unique(),
  until: timestamp({ withTimezone: true }).notNull(),
});
