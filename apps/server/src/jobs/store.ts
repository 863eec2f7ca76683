import {
  type DeletedJob,
  type JobFilter,
  type JobHead,
  type JobName,
  type JobRow,
  type PieceRow,
  peopleNamed,
  withoutGone,
} from '@early-lantern/contract';
import {
  and,
  asc,
  count,
  desc,
  eq,
  getTableColumns,
  gte,
  inArray,
  isNotNull,
  isNull,
  lt,
  not,
  type SQL,
  sql,
} from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { toRow, touched } from '../db/rows.ts';
import { crew, jobs, versions } from '../db/schema.ts';
import { notFound, ProblemError, stale, taken } from '../http/problem.ts';
import { listPieces } from '../pieces/store.ts';
import { asked } from './filter.ts';

type StoredJob = typeof jobs.$inferSelect;

const columns = (data: JobHead) => ({ data, siteId: data.siteId, doors: new Date(data.doors) });

const usedOf = ({ usedAt }: StoredJob) => ({ usedAt: usedAt?.toISOString() ?? null });

async function withPieces(db: Queries, row: StoredJob): Promise<JobRow> {
  return { ...toRow(row), ...usedOf(row), pieces: await listPieces(db, row.id) };
}

/** The pieces of a job in their order, as they are sent; gathered by the database, so that a job is read in one query. */
const theirPieces = sql<PieceRow[]>`(
  select coalesce(jsonb_agg(jsonb_build_object(
    'revision', p.revision,
    'updatedAt', to_char(p.updated_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'),
    'data', p.data
  ) order by p.position, p.id), '[]')
  from pieces p where p.job_id = jobs.id
)`;
const whole = { ...getTableColumns(jobs), pieces: theirPieces };
const asRow = ({ pieces: own, ...row }: StoredJob & { pieces: PieceRow[] }): JobRow => ({
  ...toRow(row),
  ...usedOf(row),
  pieces: own,
});

export async function getJob(db: Queries, id: string): Promise<JobRow> {
  const row = await findJob(db, id);
  if (!row) throw notFound(`job "${id}"`);
  return row;
}

/** The job of an id; undefined where there is none, or it was deleted. */
export async function findJob(db: Queries, id: string): Promise<JobRow | undefined> {
  const [row] = await jobById(db).execute({ id });
  return row && asRow(row);
}

/** Asked for more than anything else: thought out once for each connection. */
const prepareJobById = (db: Queries) =>
  db
    .select(whole)
    .from(jobs)
    .where(and(eq(jobs.id, sql.placeholder('id')), isNull(jobs.deletedAt)))
    .prepare('job_by_id');
const jobsById = new WeakMap<Queries, ReturnType<typeof prepareJobById>>();

function jobById(db: Queries): ReturnType<typeof prepareJobById> {
  const known = jobsById.get(db) ?? prepareJobById(db);
  jobsById.set(db, known);
  return known;
}

/** Whether an id is used up, by a deleted job too. */
export async function jobIdTaken(db: Queries, id: string): Promise<boolean> {
  return (await db.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, id))).length > 0;
}

interface Listing extends JobFilter {
  limit: number;
  after?: string | undefined;
  from?: string | undefined;
  until?: string | undefined;
  /** Not over at this moment; all others. */
  standing?: string | undefined;
  over?: string | undefined;
  /** What it used was recorded, or was not. */
  recorded?: 'yes' | 'no' | undefined;
  /** By doors: the earliest first, or the latest. */
  order: 'asc' | 'desc';
}

/** Cursors name the last row's doors and id, the order of the list. */
const cursorOf = (row: StoredJob) =>
  Buffer.from(`${row.doors.toISOString()}|${row.id}`).toString('base64url');

function readCursor(cursor: string, order: Listing['order']): SQL {
  const [doors = '', id = ''] = Buffer.from(cursor, 'base64url').toString().split('|');
  if (Number.isNaN(Date.parse(doors)))
    throw new ProblemError('input-refused', 'The page marker is not one of ours.');
  const beyond = sql.raw(order === 'asc' ? '>' : '<');
  return sql`(${jobs.doors}, ${jobs.id}) ${beyond} (${doors}::timestamptz, ${id})`;
}

/** Longer than this after its doors no strike goes on, as a job is checked: so that strikes are looked at of few jobs only. */
const LONGEST_STANDING = sql`interval '106 days'`;

/** What is not over at a moment. @param moment RFC 3339 */
const isStanding = (moment: string): SQL =>
  sql`(${jobs.doors} >= ${moment}::timestamptz - ${LONGEST_STANDING} and (${jobs.data}->'strike'->>'until')::timestamptz >= ${moment}::timestamptz)`;

/** Jobs by doors, each with its pieces. */
export async function listJobs(
  db: Queries,
  { limit, after, from, until, standing, over, recorded, order, ...filter }: Listing,
) {
  const by = order === 'asc' ? asc : desc;
  const wanted = and(
    isNull(jobs.deletedAt),
    from ? gte(jobs.doors, new Date(from)) : undefined,
    until ? lt(jobs.doors, new Date(until)) : undefined,
    standing ? isStanding(standing) : undefined,
    over ? not(isStanding(over)) : undefined,
    recorded && (recorded === 'yes' ? isNotNull(jobs.usedAt) : isNull(jobs.usedAt)),
    ...asked(filter),
  );
  const found = await db
    .select(whole)
    .from(jobs)
    .where(and(wanted, after ? readCursor(after, order) : undefined))
    .orderBy(by(jobs.doors), by(jobs.id))
    .limit(limit + 1);
  const shown = found.slice(0, limit);
  const [all] = await db.select({ total: count() }).from(jobs).where(wanted);
  const last = shown.at(-1);
  return {
    items: shown.map(asRow),
    total: all?.total ?? 0,
    next: found.length > limit && last ? cursorOf(last) : null,
  };
}

/** Names of the jobs whose doors are nearest to a moment. */
export async function jobNames(db: Queries, limit: number, now: Date): Promise<JobName[]> {
  const rows = await db
    .select({ id: jobs.id, name: sql<string>`${jobs.data}->>'name'`, doors: jobs.doors })
    .from(jobs)
    .where(isNull(jobs.deletedAt))
    .orderBy(sql`abs(extract(epoch from ${jobs.doors} - ${now.toISOString()}::timestamptz))`)
    .limit(limit);
  return rows.map(({ doors, ...row }) => ({ ...row, doors: doors.toISOString() }));
}

export async function addJob(db: Queries, data: JobHead): Promise<JobRow> {
  const [row] = await db
    .insert(jobs)
    .values({ id: data.id, ...columns(data) })
    .onConflictDoNothing()
    .returning();
  if (!row) throw taken(`The job "${data.id}"`);
  return withPieces(db, row);
}

/** The row still as it was at `revision`, changed; else why not. */
async function changeJobRow(
  db: Queries,
  id: string,
  revision: number,
  set: Partial<typeof jobs.$inferInsert>,
): Promise<JobRow> {
  const live = and(eq(jobs.id, id), isNull(jobs.deletedAt));
  const [row] = await db
    .update(jobs)
    .set({ ...set, ...touched })
    .where(and(live, eq(jobs.revision, revision)))
    .returning(whole);
  if (row) return asRow(row);
  const [current] = await db.select().from(jobs).where(live);
  if (!current) throw notFound(`job "${id}"`);
  throw stale(`"${current.data.name}"`, await withPieces(db, current));
}

export function updateJob(db: Queries, id: string, revision: number, data: JobHead): Promise<JobRow> {
  return changeJobRow(db, id, revision, columns(data));
}

/** Marks the job deleted; `restoreJob` brings it back with all its pieces. */
export function removeJob(db: Queries, id: string, revision: number): Promise<JobRow> {
  return changeJobRow(db, id, revision, { deletedAt: new Date() });
}

/** Deleted jobs stay in the bin for so many days. */
const BIN_DAYS = 30;
const isInBin = sql`${jobs.deletedAt} > now() - ${BIN_DAYS} * interval '1 day'`;

/** What was deleted and can still be brought back, the latest first. */
export async function deletedJobs(db: Queries): Promise<DeletedJob[]> {
  const rows = await db
    .select({
      id: jobs.id,
      name: sql<string>`${jobs.data}->>'name'`,
      doors: jobs.doors,
      deletedAt: jobs.deletedAt,
    })
    .from(jobs)
    .where(isInBin)
    .orderBy(desc(jobs.deletedAt));
  return rows.map(({ doors, deletedAt, ...row }) => ({
    ...row,
    doors: doors.toISOString(),
    deletedAt: (deletedAt as Date).toISOString(),
  }));
}

/** Whatever has been in the bin for long enough goes, with all that belongs to it. @returns how many jobs */
export async function emptyBin(db: Queries): Promise<number> {
  const gone = await db
    .delete(jobs)
    .where(and(isNotNull(jobs.deletedAt), not(isInBin)))
    .returning({ id: jobs.id });
  if (gone.length > 0)
    await db.delete(versions).where(
      inArray(
        versions.jobId,
        gone.map(({ id }) => id),
      ),
    );
  return gone.length;
}

/** Whoever has left the workshop since is no longer on it. */
export async function restoreJob(db: Queries, id: string): Promise<JobRow> {
  const [found] = await db.select().from(jobs).where(eq(jobs.id, id));
  if (!found) throw notFound(`job "${id}"`);
  const people = new Set((await db.select({ id: crew.id }).from(crew)).map((one) => one.id));
  const [row] = await db
    .update(jobs)
    .set({ deletedAt: null, data: withoutGone(found.data, people), ...touched })
    .where(eq(jobs.id, id))
    .returning();
  if (!row) throw notFound(`job "${id}"`);
  return withPieces(db, row);
}

/** Ids of the jobs that are not deleted, those at a site or all. */
export async function liveJobIds(db: Queries, siteId?: string): Promise<string[]> {
  const wanted = and(isNull(jobs.deletedAt), siteId ? eq(jobs.siteId, siteId) : undefined);
  return (await db.select({ id: jobs.id }).from(jobs).where(wanted)).map((row) => row.id);
}

/** Names of the jobs, not deleted, that a crew member is on. */
export async function jobsWithMember(db: Queries, memberId: string): Promise<string[]> {
  // The database finds the few that say the id anywhere; what it is said for is looked at here.
  const said = sql`position(${JSON.stringify(memberId)} in ${jobs.data}::text) > 0`;
  const rows = await db
    .select({ data: jobs.data })
    .from(jobs)
    .where(and(isNull(jobs.deletedAt), said));
  return rows
    .filter(({ data }) => peopleNamed({ ...data, pieces: [] }).has(memberId))
    .map((row) => row.data.name);
}

/** Names of the jobs at a site, deleted ones too: they may be brought back. */
export async function jobsAtSite(db: Queries, siteId: string): Promise<string[]> {
  const rows = await db.select({ data: jobs.data }).from(jobs).where(eq(jobs.siteId, siteId));
  return rows.map((row) => row.data.name);
}
