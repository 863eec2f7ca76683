import type { PackingState, PersonId } from '@early-lantern/contract';
import { and, asc, eq, inArray } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { departures, packTicks } from '../db/schema.ts';

/** What is ticked of a job's packing list, and whether it has left. */
export async function packingState(db: Queries, jobId: string): Promise<PackingState> {
  const ticks = await db
    .select()
    .from(packTicks)
    .where(eq(packTicks.jobId, jobId))
    .orderBy(asc(packTicks.at), asc(packTicks.row));
  const [left] = await db.select().from(departures).where(eq(departures.jobId, jobId));
  return {
    ticks: ticks.map(({ row, by, at }) => ({ row, by: by as PersonId, at: at.toISOString() })),
    departure: left
      ? { by: left.by as PersonId, at: left.at.toISOString(), reason: left.reason, left: left.left }
      : null,
  };
}

/** Ticks lines; what is ticked already keeps who ticked it and when: two phones may tick the same. */
export async function tick(db: Queries, jobId: string, rows: readonly string[], by: string): Promise<void> {
  await db
    .insert(packTicks)
    .values([...new Set(rows)].map((row) => ({ jobId, row, by })))
    .onConflictDoNothing();
}

export async function untick(db: Queries, jobId: string, rows: readonly string[]): Promise<void> {
  await db.delete(packTicks).where(and(eq(packTicks.jobId, jobId), inArray(packTicks.row, [...rows])));
}

export async function depart(
  db: Queries,
  jobId: string,
  departure: { by: string; reason: string; left: string[] },
): Promise<void> {
  await db
    .insert(departures)
    .values({ jobId, ...departure })
    .onConflictDoUpdate({
      target: [departures.workshopId, departures.jobId],
      set: { ...departure, at: new Date() },
    });
}

/** It has not left after all. */
export async function takeBackDeparture(db: Queries, jobId: string): Promise<void> {
  await db.delete(departures).where(eq(departures.jobId, jobId));
}
