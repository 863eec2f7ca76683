import { JobFile, JobOfFile, read } from '@early-lantern/contract';
import type { Queries } from '../db/database.ts';
import { refused } from '../http/problem.ts';
import { liveJobIds } from '../jobs/store.ts';
import { assembleJobFile, assembleJobFiles, assembleJobWithNames } from './assemble.ts';

/**
 * Refuses a change that leaves a job unsound: called at the end of each transaction, so that whatever is stored can
 * always be exported and planned. Workshop and place, which are most of its file, were checked when they were stored.
 */
export async function requireSound(db: Queries, jobId: string): Promise<void> {
  requireSoundAs(JobOfFile, await assembleJobWithNames(db, jobId));
}

/** The same after a change that may have touched workshop or place too. */
export async function requireWholeSound(db: Queries, jobId: string): Promise<void> {
  requireSoundAs(JobFile, await assembleJobFile(db, jobId));
}

function requireSoundAs(schema: typeof JobFile | typeof JobOfFile, file: unknown): void {
  const result = read(schema, file);
  if (!result.ok) throw refused(result.faults);
}

/** So many are read from the database together. */
const AT_ONCE = 100;

/** The same for every job a change to shared things can touch. */
export async function requireAllSound(db: Queries, siteId?: string): Promise<void> {
  const ids = await liveJobIds(db, siteId);
  for (let from = 0; from < ids.length; from += AT_ONCE)
    for (const file of await assembleJobFiles(db, ids.slice(from, from + AT_ONCE)))
      requireSoundAs(JobFile, file);
}
