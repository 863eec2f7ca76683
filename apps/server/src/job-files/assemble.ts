import type { CrewMember, JobFile, JobHead, Piece, Site, WorkshopSettings } from '@early-lantern/contract';
import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { crew, jobs, pieces, sites, workshop } from '../db/schema.ts';
import { notFound } from '../http/problem.ts';
import { type Shelves, shelfColumns, withShelves } from '../workshop/shelves.ts';

/** A job with its place and pieces. */
const jobColumns = {
  head: jobs.data,
  site: sites.data,
  pieces: sql<Piece[]>`(
    select coalesce(jsonb_agg(${pieces.data} order by ${pieces.position}, ${pieces.id}), '[]')
    from ${pieces} where ${pieces.jobId} = ${jobs.id}
  )`,
};

/** The workshop whole, with shelves and people. */
const workshopColumns = {
  settings: workshop.data,
  ...shelfColumns,
  crew: sql<CrewMember[]>`(select coalesce(jsonb_agg(${crew.data} order by ${crew.id}), '[]') from ${crew})`,
};

/** Of the workshop only what pieces and jobs name: the rest was checked when it was stored. */
const namesColumns = {
  crew: sql<
    { id: string }[]
  >`(select coalesce(jsonb_agg(jsonb_build_object('id', ${crew.id})), '[]') from ${crew})`,
  colours: sql<{ id: string }[]>`(
    select coalesce(jsonb_agg(jsonb_build_object('id', colour->>'id')), '[]')
    from jsonb_array_elements(${workshop.data}->'colours') colour
  )`,
};

/** A stored job with its place, and of the workshop what may be named; in one query, it is asked for at the end of every change. */
export async function assembleJobWithNames(db: Queries, jobId: string) {
  const [row] = await db
    .select({ ...jobColumns, ...namesColumns })
    .from(jobs)
    .innerJoin(sites, eq(sites.id, jobs.siteId))
    .innerJoin(workshop, sql`true`)
    .where(and(eq(jobs.id, jobId), isNull(jobs.deletedAt)));
  if (!row) throw notFound(`job "${jobId}"`);
  return joined(row, { crew: row.crew, colours: row.colours });
}

/** The job file of a stored job, in one query. */
export async function assembleJobFile(db: Queries, jobId: string): Promise<JobFile> {
  const [row] = await db
    .select({ ...jobColumns, ...workshopColumns })
    .from(jobs)
    .innerJoin(sites, eq(sites.id, jobs.siteId))
    .innerJoin(workshop, sql`true`)
    .where(and(eq(jobs.id, jobId), isNull(jobs.deletedAt)));
  if (!row) throw notFound(`job "${jobId}"`);
  return joined(row, wholeWorkshop(row));
}

/**
 * Those of several jobs, in the order asked for: the workshop, which is most of each, is read once.
 *
 * @throws ProblemError 404 where one is gone meanwhile
 */
export async function assembleJobFiles(db: Queries, jobIds: readonly string[]): Promise<JobFile[]> {
  if (jobIds.length === 0) return [];
  const [rows, [shared]] = await Promise.all([
    db
      .select(jobColumns)
      .from(jobs)
      .innerJoin(sites, eq(sites.id, jobs.siteId))
      .where(and(inArray(jobs.id, [...jobIds]), isNull(jobs.deletedAt))),
    db.select(workshopColumns).from(workshop),
  ]);
  const byId = new Map(rows.map((row) => [row.head.id, row]));
  const ofAll = shared && wholeWorkshop(shared);
  return jobIds.map((id) => {
    const row = byId.get(id);
    if (!row || !ofAll) throw notFound(`job "${id}"`);
    return joined(row, ofAll);
  });
}

const wholeWorkshop = (row: Shelves & { settings: WorkshopSettings; crew: CrewMember[] }) => ({
  ...withShelves(row.settings, row),
  crew: row.crew,
});

const joined = <W>(
  { head, site, pieces: own }: { head: JobHead; site: Site; pieces: Piece[] },
  ofAll: W,
): Omit<JobFile, 'workshop'> & { workshop: W } => ({
  format: 'early-lantern/job',
  version: 2,
  workshop: ofAll,
  site,
  job: { ...head, pieces: own },
});
