import type { Photo, Piece, SiteEvent } from '@early-lantern/contract';
import { sql } from 'drizzle-orm';
import { customType, index, integer, jsonb, pgTable, primaryKey, text, timestamp } from 'drizzle-orm/pg-core';
import { ofWorkshop, revisioned } from './columns.ts';
import { belongsToJob } from './jobs.ts';

/** Lines of a job's packing list that are ticked. */
export const packTicks = pgTable(
  'pack_ticks',
  {
    ...ofWorkshop,
    jobId: text('job_id').notNull(),
    /** The line, by its id in the plan. */
    row: text().notNull(),
    by: text().notNull(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.jobId, table.row] }), belongsToJob(table)],
);

/** That a job's vehicles have left, who said so, and what was not ticked by then. */
export const departures = pgTable(
  'departures',
  {
    ...ofWorkshop,
    jobId: text('job_id').notNull(),
    by: text().notNull(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
    reason: text().notNull(),
    left: jsonb().$type<string[]>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.jobId] }), belongsToJob(table)],
);

/** What people on site wrote down: never changed, only added to. Its numbers grow in the order in which rows are seen (`site-log/store.ts`). */
export const siteEntries = pgTable(
  'site_entries',
  {
    ...ofWorkshop,
    jobId: text('job_id').notNull(),
    /** Made by the device. */
    id: text().notNull(),
    seq: integer().notNull().generatedAlwaysAsIdentity(),
    device: text().notNull(),
    /** By this server's clock. */
    at: timestamp({ withTimezone: true }).notNull(),
    by: text().notNull(),
    event: jsonb().$type<SiteEvent>().notNull(),
    replaces: jsonb().$type<string[]>(),
    /** When the server got to know of it. */
    heardAt: timestamp('heard_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.workshopId, table.jobId, table.id] }),
    index('site_entries_by_seq').on(table.workshopId, table.jobId, table.seq),
    // Asked for with every list: of a season's entries few tell of gear.
    index('site_entries_of_gear')
      .on(table.workshopId, table.jobId)
      .where(sql`${table.event}->>'kind' = 'gear'`),
    belongsToJob(table),
  ],
);

const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });

/** Photos of pieces as they were built, with what somebody marked on them. */
export const photos = pgTable(
  'photos',
  {
    ...ofWorkshop,
    jobId: text('job_id').notNull(),
    id: text().notNull(),
    data: jsonb().$type<Photo>().notNull(),
    /** The piece as it was planned when the photo was added; it stays where the piece is changed or deleted. */
    planned: jsonb().$type<Piece>().notNull(),
    content: bytes().notNull(),
    /** Set when it was deleted; it can still be brought back. */
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
    ...revisioned,
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.jobId, table.id] }), belongsToJob(table)],
);
