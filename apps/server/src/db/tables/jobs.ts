import type {
  JobHead,
  JobUse,
  Piece,
  Template,
  ToldLamps,
  Version,
  WholeVersion,
} from '@early-lantern/contract';
import type { JobNeeds } from '@early-lantern/core';
import {
  type AnyPgColumn,
  boolean,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
} from 'drizzle-orm/pg-core';
import { ofWorkshop, revisioned } from './columns.ts';
import { sites } from './workshop.ts';

export const jobs = pgTable(
  'jobs',
  {
    ...ofWorkshop,
    id: text().notNull(),
    siteId: text('site_id').notNull(),
    doors: timestamp({ withTimezone: true }).notNull(),
    data: jsonb().$type<JobHead>().notNull(),
    /** Set when the job was deleted; it can still be brought back. */
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
    /** What it used, recorded once when it is over, and when that was: from then on it holds nothing. */
    used: jsonb().$type<JobUse>(),
    usedAt: timestamp('used_at', { withTimezone: true }),
    ...revisioned,
  },
  (table) => [
    primaryKey({ columns: [table.workshopId, table.id] }),
    foreignKey({
      columns: [table.workshopId, table.siteId],
      foreignColumns: [sites.workshopId, sites.id],
    }).onDelete('restrict'),
    index('jobs_by_doors').on(table.workshopId, table.doors, table.id),
  ],
);

/** Pieces and jobs to begin others with. */
export const templates = pgTable(
  'templates',
  {
    ...ofWorkshop,
    id: text().notNull(),
    data: jsonb().$type<Template>().notNull(),
    ...revisioned,
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.id] })],
);

/** What belongs to a job goes with it. */
export const belongsToJob = (table: { workshopId: AnyPgColumn; jobId: AnyPgColumn }) =>
  foreignKey({
    columns: [table.workshopId, table.jobId],
    foreignColumns: [jobs.workshopId, jobs.id],
  }).onDelete('cascade');

export const pieces = pgTable(
  'pieces',
  {
    ...ofWorkshop,
    jobId: text('job_id').notNull(),
    id: text().notNull(),
    /** Order within the job. */
    position: doublePrecision().notNull(),
    data: jsonb().$type<Piece>().notNull(),
    ...revisioned,
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.jobId, table.id] }), belongsToJob(table)],
);

/** Rows as they were before somebody changed or deleted them: one a few minutes at the most, so that typing does not fill it. */
export const versions = pgTable(
  'versions',
  {
    ...ofWorkshop,
    id: integer().primaryKey().generatedAlwaysAsIdentity(),
    /** When it stopped being so. */
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
    what: text().$type<Version['what']>().notNull(),
    /** Empty for what belongs to no job. */
    jobId: text('job_id').notNull(),
    /** Of the row itself. */
    rowId: text('row_id').notNull(),
    isDeleted: boolean('is_deleted').notNull(),
    /** Who changed it then; null where nobody had to sign in, or a program did. */
    by: text(),
    data: jsonb().$type<WholeVersion['data']>().notNull(),
  },
  (table) => [
    index('versions_by_job').on(table.workshopId, table.jobId, table.at),
    index('versions_by_row').on(table.workshopId, table.jobId, table.rowId, table.at),
  ],
);

/** What a job takes of shelf, gear and pipes, as it was worked out last: made anew whenever what it was made of has changed. */
export const jobNeeds = pgTable(
  'job_needs',
  {
    ...ofWorkshop,
    jobId: text('job_id').notNull(),
    /** What it was made of: the revisions of job, pieces and site, and the workshop's ways. */
    madeOf: text('made_of').notNull(),
    needs: jsonb().$type<JobNeeds>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.jobId] }), belongsToJob(table)],
);

/** What a job's lamps say, as they were worked out last; and what that was made of, as a checksum of all of it. */
export const jobLamps = pgTable(
  'job_lamps',
  {
    ...ofWorkshop,
    jobId: text('job_id').notNull(),
    madeOf: text('made_of').notNull(),
    lamps: jsonb().$type<ToldLamps>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.jobId] }), belongsToJob(table)],
);
