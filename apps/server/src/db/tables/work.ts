import type { ProblemCode } from '@early-lantern/contract';
import { index, integer, jsonb, pgTable, text, timestamp } from 'drizzle-orm/pg-core';

/** Why a piece of work did not come to its end. */
export interface WorkFailure {
  /** Where whoever asked is answered with a problem of that code. */
  code: ProblemCode | null;
  detail: string;
}

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
