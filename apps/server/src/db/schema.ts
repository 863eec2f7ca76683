import type {
  Account,
  CrewMember,
  ItemMovement,
  JobHead,
  JobUse,
  MaterialStock,
  MovementKind,
  OnOrder,
  Photo,
  Piece,
  ProblemCode,
  Site,
  SiteEvent,
  Template,
  ToldLamps,
  Version,
  WholeVersion,
  WorkshopSettings,
} from '@early-lantern/contract';
import type { JobNeeds } from '@early-lantern/core';
import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  boolean,
  customType,
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

/** Why a piece of work did not come to its end. */
export interface WorkFailure {
  /** Where whoever asked is answered with a problem of that code. */
  code: ProblemCode | null;
  detail: string;
}

/** What every stored row has besides its data: a revision that counts its changes, and when it last changed. */
const revisioned = {
  revision: integer().notNull().default(1),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
};

/** Whose row it is: said by the connection that writes it, which sees no others (`workshop-pool.ts`; row security in the migrations). */
const ofWorkshop = {
  workshopId: text('workshop_id').notNull().default(sql`current_setting('lantern.workshop')`),
};

/** One row: the business. What it has lies in tables of its own (`workshop/shelves.ts`); of them stand here empty lists. */
export const workshop = pgTable(
  'workshop',
  {
    ...ofWorkshop,
    id: text().notNull(),
    data: jsonb().$type<WorkshopSettings>().notNull(),
    ...revisioned,
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.id] })],
);

/** Balloons on the shelf, in the order in which they came there. */
export const shelf = pgTable(
  'shelf',
  {
    ...ofWorkshop,
    nominalIn: doublePrecision('nominal_in').notNull(),
    colour: text().notNull(),
    onHand: integer('on_hand').notNull(),
    /** Order of coming. */
    position: integer().notNull().generatedAlwaysAsIdentity(),
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.nominalIn, table.colour] })],
);

/** Balloons that are on order. */
export const orders = pgTable(
  'orders',
  {
    ...ofWorkshop,
    id: text().notNull(),
    data: jsonb().$type<OnOrder>().notNull(),
    /** Order of coming. */
    position: integer().notNull().generatedAlwaysAsIdentity(),
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.id] })],
);

/** Consumables and gear on the shelf. */
export const items = pgTable(
  'items',
  {
    ...ofWorkshop,
    item: text().notNull(),
    onHand: doublePrecision('on_hand').notNull(),
    /** Words of one that is not in the catalogue. */
    own: jsonb().$type<MaterialStock['own']>(),
    /** Order of coming. */
    position: integer().notNull().generatedAlwaysAsIdentity(),
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.item] })],
);

/** The ledger of consumables and gear: never changed, only added to. */
export const itemMovements = pgTable(
  'item_movements',
  {
    ...ofWorkshop,
    id: integer().primaryKey().generatedAlwaysAsIdentity(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
    item: text().notNull(),
    kind: text().$type<ItemMovement['kind']>().notNull(),
    change: doublePrecision().notNull(),
    onHand: doublePrecision('on_hand').notNull(),
    note: text().notNull(),
    /** The job that it belongs to; it stays where the job is gone. */
    jobId: text('job_id'),
  },
  (table) => [index('item_movements_by_item').on(table.workshopId, table.item)],
);

export const crew = pgTable(
  'crew',
  {
    ...ofWorkshop,
    id: text().notNull(),
    data: jsonb().$type<CrewMember>().notNull(),
    ...revisioned,
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.id] })],
);

export const sites = pgTable(
  'sites',
  {
    ...ofWorkshop,
    id: text().notNull(),
    data: jsonb().$type<Site>().notNull(),
    ...revisioned,
  },
  (table) => [primaryKey({ columns: [table.workshopId, table.id] })],
);

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
const belongsToJob = (table: { workshopId: AnyPgColumn; jobId: AnyPgColumn }) =>
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

/** What is to be worked out by a worker, and what came of it. */
export const workItems = pgTable(
  'work_items',
  {
    /** What kind of work, and a checksum of what goes into it: the same is worked out once, whichever server asks. */
    key: text().primaryKey(),
    /** JSON, as text: nobody looks into it here. */
    input: text().notNull(),
    result: text(),
    failure: jsonb().$type<WorkFailure>(),
    askedAt: timestamp('asked_at', { withTimezone: true }).notNull().defaultNow(),
    doneAt: timestamp('done_at', { withTimezone: true }),
  },
  (table) => [index('work_items_by_done').on(table.doneAt)],
);

/** Hands of worker processes, and when each was heard of last: what a dead one had begun is given to another. */
export const workHands = pgTable('work_hands', {
  id: text().primaryKey(),
  seenAt: timestamp('seen_at', { withTimezone: true }).notNull().defaultNow(),
});

/** One row that is written to see whether writing works. */
export const pulse = pgTable('pulse', {
  id: integer().primaryKey(),
  at: timestamp({ withTimezone: true }).notNull().defaultNow(),
});

const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });

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

/** The shelf's ledger: never changed, only added to. */
export const movements = pgTable(
  'movements',
  {
    ...ofWorkshop,
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
    /** What it was booked under, so that the same is not booked twice. */
    bookingKey: text('booking_key'),
  },
  (table) => [
    index('movements_by_product').on(table.workshopId, table.nominalIn, table.colour),
    index('movements_by_key').on(table.workshopId, table.bookingKey),
  ],
);
