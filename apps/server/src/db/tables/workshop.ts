import type {
  CrewMember,
  ItemMovement,
  MaterialStock,
  MovementKind,
  OnOrder,
  Site,
  WorkshopSettings,
} from '@early-lantern/contract';
import {
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
} from 'drizzle-orm/pg-core';
import { ofWorkshop, revisioned } from './columns.ts';

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
