import type { KeptEntry } from '@early-lantern/contract';
import type { GearLog } from '@early-lantern/core';
import { and, asc, gte, inArray, isNull, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { jobs, siteEntries } from '../db/schema.ts';
import { asKept } from '../site-log/store.ts';

/** What was told on site of a job's gear, and when its doors were. */
export interface GearTold extends GearLog {
  doorsMs: number;
  log: KeptEntry[];
}

/** Of jobs longer ago nobody looks for a thing any more, ms: a season. From memory, an editable default. */
const LOOKED_FOR_MS = 120 * 24 * 60 * 60 * 1000;

const isGear = sql`${siteEntries.event}->>'kind' = 'gear'`;

/** What was told of the gear of the jobs of a season, by job id. */
export async function gearTold(db: Queries): Promise<Map<string, GearTold>> {
  const since = new Date(Date.now() - LOOKED_FOR_MS);
  const withGear = db.select({ id: siteEntries.jobId }).from(siteEntries).where(isGear);
  const counted = await db
    .select({ id: jobs.id, name: sql<string>`${jobs.data}->>'name'`, doors: jobs.doors })
    .from(jobs)
    .where(and(inArray(jobs.id, withGear), isNull(jobs.deletedAt), gte(jobs.doors, since)));
  if (counted.length === 0) return new Map();
  const entries = await db
    .select()
    .from(siteEntries)
    .where(
      and(
        inArray(
          siteEntries.jobId,
          counted.map(({ id }) => id),
        ),
        inArray(sql`${siteEntries.event}->>'kind'`, ['gear', 'taken-back']),
      ),
    )
    .orderBy(asc(siteEntries.seq));
  const told = new Map(
    counted.map(({ id, name, doors }): [string, GearTold] => [
      id,
      { job: name, doorsMs: doors.getTime(), log: [] },
    ]),
  );
  for (const entry of entries) told.get(entry.jobId)?.log.push(asKept(entry));
  return told;
}
