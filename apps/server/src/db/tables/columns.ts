import { sql } from 'drizzle-orm';
import { integer, text, timestamp } from 'drizzle-orm/pg-core';

/** What every stored row has besides its data: a revision that counts its changes, and when it last changed. */
export const revisioned = {
  revision: integer().notNull().default(1),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
};

/** Whose row it is: said by the connection that writes it, which sees no others (`workshop-pool.ts`; row security in the migrations). */
export const ofWorkshop = {
  workshopId: text('workshop_id').notNull().default(sql`current_setting('lantern.workshop')`),
};
