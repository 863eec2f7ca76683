import { JobFile, read } from '@early-lantern/contract';
import type { Queries } from '../db/database.ts';
import { refused } from '../http/problem.ts';
import { liveJobIds } from '../jobs/store.ts';
import { assembleJobFile } from './assemble.ts';

/**
 * Refuses a change that leaves a job unsound: called at the end of each transaction, so that whatever is stored can
 * always be exported and planned.
 */
export async function requireSound(db: Queries, jobId: string): Promise<void> {
  const result = read(JobFile, await assembleJobFile(db, jobId));
  if (!result.ok) throw refused(result.faults);
}

/** The same for every job a change to shared things can touch. */
export async function requireAllSound(db: Queries, siteId?: string): Promise<void> {
  for (const id of await liveJobIds(db, siteId)) await requireSound(db, id);
}
