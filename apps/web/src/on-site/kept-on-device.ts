import type { JobFile, Plan } from '@early-lantern/contract';
import type { Picture } from '@early-lantern/core';
import { createStore, del, get, keys, set, setMany, values } from 'idb-keyval';
import { keptOf } from '../job/kept-work.ts';
import type { EntryStore, OwnEntry } from './outbox.ts';
import type { PhotoStore, WaitingPhoto } from './photo-outbox.ts';

/** A job as it is taken along: all that the day needs where there is no signal. */
export interface TakenJob {
  file: JobFile;
  plan: Plan;
  /** When it was read from the server, ISO 8601. */
  readAt: string;
}

const jobs = () => createStore('early-lantern-on-site', 'jobs');
const keyOf = (jobId: string) => `${keptOf()}${jobId}`;

export const keepJob = (job: TakenJob): Promise<void> => set(keyOf(job.file.job.id), job, jobs());
export const keptJob = (jobId: string): Promise<TakenJob | undefined> => get<TakenJob>(keyOf(jobId), jobs());

const pictures = () => createStore('early-lantern-pictures', 'pictures');

/** Each piece as it will hang, as it was drawn when the job was read. */
interface TakenPictures {
  /** What they were drawn from, as text. */
  of: string;
  byPiece: Record<string, Picture>;
}
export const keepPictures = (jobId: string, taken: TakenPictures): Promise<void> =>
  set(keyOf(jobId), taken, pictures());
export const keptPictures = (jobId: string): Promise<TakenPictures | undefined> =>
  get<TakenPictures>(keyOf(jobId), pictures());

/** Every job that is on this device, by doors. */
export async function keptJobs(): Promise<TakenJob[]> {
  const [names, all] = await Promise.all([keys(jobs()), values<TakenJob>(jobs())]);
  return all
    .filter((_, i) => isOwn(String(names[i])))
    .sort((one, other) => Date.parse(one.plan.onTime.doors) - Date.parse(other.plan.onTime.doors));
}

/** Of this workshop: those of others have its name before them. */
const isOwn = (key: string) => (keptOf() === '' ? !key.includes('/') : key.startsWith(keptOf()));

/** Entries of a job in a database of its own: all of them are read at once, and written in one step or not at all. */
export function entryStore(jobId: string): EntryStore {
  const store = createStore(`early-lantern-log:${keyOf(jobId)}`, 'entries');
  return {
    read: () => values<OwnEntry>(store),
    write: (entries) =>
      setMany(
        entries.map((entry) => [entry.id, entry]),
        store,
      ),
  };
}

/** Photos of a job that wait to be sent. */
export function photoStore(jobId: string): PhotoStore {
  const store = createStore(`early-lantern-photos:${keyOf(jobId)}`, 'photos');
  return {
    read: () => values<WaitingPhoto>(store),
    keep: (photo) => set(photo.id, photo, store),
    drop: (id) => del(id, store),
  };
}
