import { createHash } from 'node:crypto';
import { and, isNull, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import type { Queries } from '../db/database.ts';
import { jobs } from '../db/schema.ts';
import { together } from '../db/together.ts';
import { workshopAsked } from '../db/which-workshop.ts';
import { notFound } from '../http/problem.ts';
import { getJob } from './store.ts';

/** Text of jobs that is kept to be sent again, bytes. */
const MOST_BYTES = 32 * 1024 * 1024;

/** A job as it is sent, and in which state of its rows that was. */
interface Sent {
  state: string;
  text: string;
  /** Tells whoever has it already that it is the same (RFC 9110, 8.8.3). */
  etag: string;
}

const sent = new LRUCache<string, Sent>({ maxSize: MOST_BYTES, sizeCalculation: ({ text }) => text.length });

/**
 * The rows that a job is made of, by the transactions that wrote them last (PostgreSQL, 5.6 System Columns: `xmin`): as long as it is the
 * same, so is the job, whichever server changed it.
 */
const prepareStates = (db: Queries) =>
  db
    .select({
      id: jobs.id,
      state: sql<string>`jobs.xmin::text || ' ' || coalesce((
        select string_agg(p.id || ' ' || p.xmin::text, ' ' order by p.id) from pieces p where p.job_id = jobs.id
      ), '')`,
    })
    .from(jobs)
    .where(and(sql`${jobs.id} = any(${sql.placeholder('ids')})`, isNull(jobs.deletedAt)))
    .prepare('job_states');

/** Of each database, by workshop: those who ask at the same time share a query. */
const askers = new WeakMap<Queries, Map<string, (id: string) => Promise<string | undefined>>>();

async function stateOf(db: Queries, id: string): Promise<string> {
  const workshop = workshopAsked() ?? '';
  const ofDatabase = askers.get(db) ?? new Map<string, (id: string) => Promise<string | undefined>>();
  askers.set(db, ofDatabase);
  let ask = ofDatabase.get(workshop);
  if (!ask) {
    const prepared = prepareStates(db);
    ask = together(async (ids) => {
      const rows = await prepared.execute({ ids });
      return new Map(rows.map((row) => [row.id, row.state]));
    });
    ofDatabase.set(workshop, ask);
  }
  const state = await ask(id);
  if (state === undefined) throw notFound(`job "${id}"`);
  return state;
}

/**
 * A job as text to send. What is asked for more than anything else is put together once for each state of it: the database is asked for
 * that state alone, not for all of the job.
 *
 * @param kind of whoever asks, where not everybody is shown the same
 * @param shown what of it is shown
 */
export async function readJob(
  db: Queries,
  id: string,
  kind: string,
  shown: (row: unknown) => unknown,
): Promise<Pick<Sent, 'text' | 'etag'>> {
  const key = `${workshopAsked() ?? ''}/${id}/${kind}`;
  // Read before the job itself: changed between the two it is kept under a state that never comes again.
  const state = await stateOf(db, id);
  const known = sent.get(key);
  if (known?.state === state) return known;
  const text = JSON.stringify(shown(await getJob(db, id)));
  const made = { state, text, etag: `W/"${createHash('sha1').update(text).digest('base64')}"` };
  sent.set(key, made);
  return made;
}
