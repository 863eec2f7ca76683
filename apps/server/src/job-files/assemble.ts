import type { CrewMember, JobFile, Piece } from '@early-lantern/contract';
import { and, eq, isNull, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { crew, jobs, pieces, sites, workshop } from '../db/schema.ts';
import { notFound } from '../http/problem.ts';
import { shelfColumns, withShelves } from '../workshop/shelves.ts';

/** The job file of a stored job, in one query: it is asked for at the end of every change. */
export async function assembleJobFile(db: Queries, jobId: string): Promise<JobFile> {
  const theirPieces = sql<Piece[]>`(
    select coalesce(jsonb_agg(${pieces.data} order by ${pieces.position}, ${pieces.id}), '[]')
    from ${pieces} where ${pieces.jobId} = ${jobs.id}
  )`;
  const allCrew = sql<
    CrewMember[]
  >`(select coalesce(jsonb_agg(${crew.data} order by ${crew.id}), '[]') from ${crew})`;
  const [row] = await db
    .select({
      head: jobs.data,
      site: sites.data,
      settings: workshop.data,
      ...shelfColumns,
      crew: allCrew,
      pieces: theirPieces,
    })
    .from(jobs)
    .innerJoin(sites, eq(sites.id, jobs.siteId))
    .innerJoin(workshop, sql`true`)
    .where(and(eq(jobs.id, jobId), isNull(jobs.deletedAt)));
  if (!row) throw notFound(`job "${jobId}"`);
  return {
    format: 'early-lantern/job',
    version: 2,
    workshop: { ...withShelves(row.settings, row), crew: row.crew },
    site: row.site,
    job: { ...row.head, pieces: row.pieces },
  };
}
