import type { JobFilter } from '@early-lantern/contract';
import { type SQL, sql } from 'drizzle-orm';
import { jobLamps, jobs, pieces } from '../db/schema.ts';

/** The state of a job; one that says none is firm. */
export const stateOf = sql<string>`coalesce(${jobs.data}->>'state', 'firm')`;

/** Jobs found by words that begin as these do: all of them, in any order. Without any, all jobs. */
export function foundBy(words: string): SQL | undefined {
  const query = prefixes(words);
  return query === ''
    ? undefined
    : sql`exists (select from job_words w where w.job_id = ${jobs.id} and w.words @@ to_tsquery('simple', ${query}))`;
}

/** `ferr:* & hal:*`; nothing but letters and digits is looked for. */
export function prefixes(words: string): string {
  const parts = words.normalize('NFC').match(/[\p{L}\p{N}]+/gu) ?? [];
  return parts
    .slice(0, 12)
    .map((part) => `${part}:*`)
    .join(' & ');
}

/** What a filter asks of a job, to be taken together. */
export function asked({ q, state, site, person, kind, lamp }: JobFilter): (SQL | undefined)[] {
  const states = state?.split(',');
  return [
    q === undefined ? undefined : foundBy(q),
    states && sql`${stateOf} in ${states}`,
    site === undefined ? undefined : sql`${jobs.siteId} = ${site}`,
    person === undefined
      ? undefined
      : sql`(${jobs.data}->'crew' ? ${person} or coalesce(${jobs.data}->'strikeCrew' ? ${person}, false))`,
    kind === undefined
      ? undefined
      : sql`exists (select from ${pieces} where ${pieces.jobId} = ${jobs.id} and ${pieces.data}->>'kind' = ${kind})`,
    lamp === undefined
      ? undefined
      : sql`exists (select from ${jobLamps}, jsonb_each(${jobLamps.lamps}) said where ${jobLamps.jobId} = ${jobs.id} and said.value->>'state' = ${lamp})`,
  ];
}
