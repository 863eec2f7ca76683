import { createHash } from 'node:crypto';
import type { JobFile, JobLamps, ToldLamps } from '@early-lantern/contract';
import { FIRST_WORKSHOP } from '@early-lantern/contract';
import { judgeJob } from '@early-lantern/core';
import { DrizzleQueryError, inArray } from 'drizzle-orm';
import type { Database } from '../db/database.ts';
import { jobLamps } from '../db/schema.ts';
import { inWorkshop, workshopAsked } from '../db/which-workshop.ts';
import { told } from './told.ts';

/** Works out what a job's lamps say. */
export type Judging = (file: JobFile) => Promise<ToldLamps>;

/** The lamps of jobs in lists: read where they are known, else worked out one after the other. */
export interface LampKeeper {
  /** What is known of these, by job id; what is not is worked out next, before what was asked for earlier. */
  lampsOf(db: Database, files: readonly JobFile[]): Promise<Record<string, JobLamps>>;
}

interface Waiting {
  workshop: string;
  jobId: string;
  madeOf: string;
  file: JobFile;
  db: Database;
}

/** A job whose lamps could not be worked out is not tried again until something of it has changed. */
export function keepLamps(judge: Judging = judgeHere): LampKeeper {
  const waiting = new Map<string, Waiting>();
  const failed = new Map<string, { madeOf: string; why: string }>();
  let isBusy = false;

  const work = async () => {
    if (isBusy) return;
    isBusy = true;
    for (;;) {
      const [next] = waiting;
      if (!next) break;
      const [key, { workshop, jobId, madeOf, file, db }] = next;
      try {
        const lamps = await judge(file);
        // Begun by whoever asked first, whose workshop may be another.
        await inWorkshop(workshop, () =>
          db
            .insert(jobLamps)
            .values({ jobId, madeOf, lamps })
            .onConflictDoUpdate({ target: [jobLamps.workshopId, jobLamps.jobId], set: { madeOf, lamps } }),
        );
        failed.delete(key);
      } catch (error) {
        // That the database does not answer is not the job's fault: it is asked for again.
        if (!(error instanceof DrizzleQueryError)) failed.set(key, { madeOf, why: (error as Error).message });
      }
      // Asked for anew meanwhile it stays in line.
      if (waiting.get(key)?.madeOf === madeOf) waiting.delete(key);
    }
    isBusy = false;
  };

  return {
    async lampsOf(db, files) {
      if (files.length === 0) return {};
      const workshop = workshopAsked() ?? FIRST_WORKSHOP;
      const keyOf = (jobId: string) => `${workshop}/${jobId}`;
      const ids = files.map(({ job }) => job.id);
      const rows = await db.select().from(jobLamps).where(inArray(jobLamps.jobId, ids));
      const known = new Map(rows.map((row) => [row.jobId, row]));
      const asked: [string, Waiting][] = [];
      const found = files.map((file): [string, JobLamps] => {
        const { id } = file.job;
        const madeOf = createHash('sha256')
          .update(JSON.stringify([VERSION, file]))
          .digest('base64');
        const row = known.get(id);
        if (row?.madeOf === madeOf) return [id, { lamps: row.lamps, failure: null }];
        const fault = failed.get(keyOf(id));
        if (fault?.madeOf === madeOf) return [id, { lamps: null, failure: fault.why }];
        asked.push([keyOf(id), { workshop, jobId: id, madeOf, file, db }]);
        return [id, { lamps: null, failure: null }];
      });
      // Whoever asked last looks at it now: that comes first, and of it what is not over.
      const isOver = ([, { file }]: [string, Waiting]) => Date.parse(file.job.strike.until) < Date.now();
      asked.sort((one, other) => Number(isOver(one)) - Number(isOver(other)));
      const now = new Set(ids.map(keyOf));
      const earlier = [...waiting].filter(([key]) => !now.has(key));
      waiting.clear();
      for (const [key, one] of [...asked, ...earlier].slice(0, MOST_WAITING)) waiting.set(key, one);
      void work();
      return Object.fromEntries(found);
    },
  };
}

/** No more wait at once: what falls out is asked for again by whoever looks at it. */
const MOST_WAITING = 200;
/** Counts up with every change of the program that makes other lamps of the same job. */
const VERSION = 5;

/** In this very thread, once whoever came before has had their turn. */
async function judgeHere(file: JobFile): Promise<ToldLamps> {
  await new Promise(setImmediate);
  return told(judgeJob(file));
}
