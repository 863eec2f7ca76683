import type {
  CrewMember,
  JobHead,
  JobUse,
  MovementKind,
  Photo,
  Piece,
  Site,
  ToldLamps,
  WorkshopSettings,
} from '@early-lantern/contract';
import type { JobNeeds } from '@early-lantern/core';
import {
  boolean,
  customType,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
} from 'drizzle-orm/pg-core';

/** What every stored row has besides its data: a revision that counts its changes, and when it last changed. */
const revisioned = {
  revision: integer().notNull().default(1),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
};

/** One row: the business. */
export const workshop = pgTable('workshop', {
  id: text().primaryKey(),
  data: jsonb().$type<WorkshopSettings>().notNull(),
  ...revisioned,
});

export const crew = pgTable('crew', {
  id: text().primaryKey(),
  data: jsonb().$type<CrewMember>().notNull(),
  ...revisioned,
});

export const sites = pgTable('sites', {
  id: text().primaryKey(),
  data: jsonb().$type<Site>().notNull(),
  ...revisioned,
});

export const jobs = pgTable(
  'jobs',
  {
    id: text().primaryKey(),
    siteId: text('site_id')
      .notNull()
      .references(() => sites.id, { onDelete: 'restrict' }),
    doors: timestamp({ withTimezone: true }).notNull(),
    data: jsonb().$type<JobHead>().notNull(),
    /** Set when the job was deleted; it can still be brought back. */
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
    /** What it used, recorded once when it is over, and when that was: from then on it holds nothing. */
    used: jsonb().$type<JobUse>(),
    usedAt: timestamp('used_at', { withTimezone: true }),
    ...revisioned,
  },
  (table) => [index('jobs_by_doors').on(table.doors, table.id)],
);

export const pieces = pgTable(
  'pieces',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    id: text().notNull(),
    /** Order within the job. */
    position: doublePrecision().notNull(),
    data: jsonb().$type<Piece>().notNull(),
    ...revisioned,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.id] })],
);

/** Lines of a job's packing list that are ticked. */
export const packTicks = pgTable(
  'pack_ticks',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    /** The line, by its id in the plan. */
    row: text().notNull(),
    by: text().notNull(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.row] })],
);

/** That a job's vehicles have left, who said so, and what was not ticked by then. */
export const departures = pgTable('departures', {
  jobId: text('job_id')
    .primaryKey()
    .references(() => jobs.id, { onDelete: 'cascade' }),
  by: text().notNull(),
  at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  reason: text().notNull(),
  left: jsonb().$type<string[]>().notNull(),
});

/** Rows as they were before somebody changed or deleted them: one a few minutes at the most, so that typing does not fill it. */
export const versions = pgTable(
  'versions',
  {
    id: integer().primaryKey().generatedAlwaysAsIdentity(),
    /** When it stopped being so. */
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
    what: text().$type<'job' | 'piece'>().notNull(),
    jobId: text('job_id').notNull(),
    /** The job's or the piece's. */
    rowId: text('row_id').notNull(),
    isDeleted: boolean('is_deleted').notNull(),
    data: jsonb().$type<JobHead | Piece>().notNull(),
  },
  (table) => [
    index('versions_by_job').on(table.jobId, table.at),
    index('versions_by_row').on(table.jobId, table.rowId, table.at),
  ],
);

const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });

/** What a job takes of shelf, gear and pipes, as it was worked out last: made anew whenever what it was made of has changed. */
export const jobNeeds = pgTable('job_needs', {
  jobId: text('job_id')
    .primaryKey()
    .references(() => jobs.id, { onDelete: 'cascade' }),
  /** What it was made of: the revisions of job, pieces and site, and the workshop's ways. */
  madeOf: text('made_of').notNull(),
  needs: jsonb().$type<JobNeeds>().notNull(),
});

/** What a job's lamps say, as they were worked out last; and what that was made of, as a checksum of all of it. */
export const jobLamps = pgTable('job_lamps', {
  jobId: text('job_id')
    .primaryKey()
    .references(() => jobs.id, { onDelete: 'cascade' }),
  madeOf: text('made_of').notNull(),
  lamps: jsonb().$type<ToldLamps>().notNull(),
});

/** Photos of pieces as they were built, with what somebody marked on them. */
export const photos = pgTable(
  'photos',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    id: text().notNull(),
    data: jsonb().$type<Photo>().notNull(),
    /** The piece as it was planned when the photo was added; it stays where the piece is changed or deleted. */
    planned: jsonb().$type<Piece>().notNull(),
    content: bytes().notNull(),
    /** Set when it was deleted; it can still be brought back. */
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
    ...revisioned,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.id] })],
);

/** The shelf's ledger: never changed, only added to. */
export const movements = pgTable(
  'movements',
  {
    id: integer().primaryKey().generatedAlwaysAsIdentity(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
    nominalIn: doublePrecision('nominal_in').notNull(),
    colour: text().notNull(),
    kind: text().$type<MovementKind>().notNull(),
    change: integer().notNull(),
    onHand: integer('on_hand').notNull(),
    note: text().notNull(),
    /** The job that it belongs to; it stays where the job is gone. */
    jobId: text('job_id'),
  },
  (table) => [index('movements_by_product').on(table.nominalIn, table.colour)],
);
