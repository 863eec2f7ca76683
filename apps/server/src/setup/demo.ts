import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { JobFile, newestJobFile, read } from '@early-lantern/contract';
import { needsOfJob } from '@early-lantern/core';
import { DateTime } from 'luxon';
import type { Database, Queries } from '../db/database.ts';
import { changeHouse } from '../db/locks.ts';
import { importJobFile } from '../job-files/import.ts';
import { idWithTail } from '../job-files/routes.ts';
import { book } from '../stock/ledger.ts';
import { recordUse } from '../stock/use.ts';

/** The demo files play round this Saturday; they are moved by whole weeks so that it lies ahead. */
const DEMO_SATURDAY = '2027-06-19';
/** Days between loading and the demo's Saturday, at least. */
const LEAD_DAYS = 3;

/** Loads every job file of a folder, in one transaction, moved to the coming weeks. */
export async function loadDemo(db: Database, folder: string, now: Date): Promise<number> {
  const names = (await readdir(folder)).filter((name) => name.endsWith('.json')).sort();
  const files = await Promise.all(
    names.map(async (name) => {
      const result = read(JobFile, newestJobFile(JSON.parse(await readFile(join(folder, name), 'utf8'))));
      if (!result.ok) throw new Error(`demo file ${name}: ${JSON.stringify(result.faults)}`);
      return result.data;
    }),
  );
  await changeHouse(db, async (tx) => {
    for (const file of files) {
      const moved = moveToComingWeeks(file, now);
      const { jobId } = await importJobFile(tx, moved, idWithTail);
      if (Date.parse(moved.job.doors) < now.getTime()) await recordAsCounted(tx, jobId, moved);
    }
  });
  return files.length;
}

/** A job that is over used what its counts say, and that was bought for it. */
async function recordAsCounted(tx: Queries, jobId: string, file: JobFile): Promise<void> {
  const { balloons } = needsOfJob(file);
  const note = 'bought for it';
  await book(
    tx,
    balloons.map(({ count, ...product }) => ({ ...product, kind: 'received', change: count, note, jobId })),
  );
  const used = balloons.map(({ count, ...product }) => ({ ...product, used: count, popped: 0 }));
  await recordUse(tx, jobId, { balloons: used, materials: [] });
}

/** The same job whole weeks earlier or later, at the same time of day by the workshop's clock. */
function moveToComingWeeks(file: JobFile, now: Date): JobFile {
  const zone = file.workshop.timeZone;
  const saturday = DateTime.fromISO(DEMO_SATURDAY, { zone });
  const earliest = DateTime.fromJSDate(now, { zone }).plus({ days: LEAD_DAYS }).startOf('day');
  const weeks = Math.ceil(earliest.diff(saturday, 'weeks').weeks);
  const moved = (iso: string) =>
    DateTime.fromISO(iso, { zone }).plus({ weeks }).toISO({ suppressMilliseconds: true }) as string;
  const { job } = file;
  return {
    ...file,
    job: {
      ...job,
      doors: moved(job.doors),
      access: { from: moved(job.access.from), until: moved(job.access.until) },
      strike: { from: moved(job.strike.from), until: moved(job.strike.until) },
    },
  };
}
