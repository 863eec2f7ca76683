import type { Found, MonthJob } from '@early-lantern/contract';
import { and, asc, gte, isNull, lt, sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { crew, jobLamps, jobs, sites } from '../db/schema.ts';
import { foundBy, prefixes, stateOf } from './filter.ts';

/** So many places and so many people are told besides the jobs. */
const MOST_OTHERS = 5;

/** Jobs, places and people found by words that begin as these do; jobs first, those nearest to a moment before others. */
export async function search(db: Queries, words: string, limit: number, now: Date): Promise<Found[]> {
  const query = prefixes(words);
  if (query === '') return [];
  const zone = sql`(select data->>'timeZone' from workshop limit 1)`;
  const foundJobs = await db
    .select({
      id: jobs.id,
      name: sql<string>`${jobs.data}->>'name'`,
      detail: sql<string>`to_char(${jobs.doors} at time zone ${zone}, 'FMDD Mon YYYY') || ', ' || (${sites.data}->>'name')`,
    })
    .from(jobs)
    .innerJoin(sites, sql`${sites.id} = ${jobs.siteId}`)
    .where(and(isNull(jobs.deletedAt), foundBy(words)))
    .orderBy(
      sql`(select ts_rank(w.words, to_tsquery('simple', ${query})) > 0.5 from job_words w where w.job_id = ${jobs.id}) desc`,
      sql`abs(extract(epoch from ${jobs.doors} - ${now.toISOString()}::timestamptz))`,
    )
    .limit(limit);
  const named = (table: typeof sites | typeof crew) =>
    db
      .select({ id: table.id, name: sql<string>`${table.data}->>'name'`, detail: sql<string>`''` })
      // Drizzle's types do not carry a union of tables through its builders; both tables have the same columns.
      .from(table as typeof sites)
      .where(sql`to_tsvector('simple', ${table.data}->>'name') @@ to_tsquery('simple', ${query})`)
      .orderBy(asc(table.id))
      .limit(MOST_OTHERS);
  const [foundSites, foundPeople] = [await named(sites), await named(crew)];
  return [
    ...foundJobs.map((row): Found => ({ what: 'job', ...row })),
    ...foundSites.map((row): Found => ({ what: 'site', ...row })),
    ...foundPeople.map((row): Found => ({ what: 'person', ...row })),
  ];
}

/** The jobs with doors in a span, each with the worst that its lamps said last. */
export async function monthOf(db: Queries, from: Date, until: Date): Promise<MonthJob[]> {
  const worst = sql<MonthJob['worst']>`(
    select said.value->>'state' from jsonb_each(${jobLamps.lamps}) said
    order by array_position(array['out', 'low', 'lit', 'unlit'], said.value->>'state') limit 1
  )`;
  const rows = await db
    .select({
      id: jobs.id,
      name: sql<string>`${jobs.data}->>'name'`,
      doors: jobs.doors,
      state: sql<MonthJob['state']>`${stateOf}`,
      worst,
    })
    .from(jobs)
    .leftJoin(jobLamps, sql`${jobLamps.jobId} = ${jobs.id}`)
    .where(and(isNull(jobs.deletedAt), gte(jobs.doors, from), lt(jobs.doors, until)))
    .orderBy(asc(jobs.doors), asc(jobs.id))
    .limit(1000);
  return rows.map(({ doors, ...row }) => ({ ...row, doors: doors.toISOString() }));
}
