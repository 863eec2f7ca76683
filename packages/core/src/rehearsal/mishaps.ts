import type { JobFile, Task } from '@early-lantern/contract';
import { isOutdoors } from '../structure/gust-at.ts';
import data from './mishaps.json';
import type { Random } from './pert.ts';

/** Something that may go wrong on the day. */
interface Mishap {
  id: string;
  label: string;
  /** That it happens on a day, 0 to 1. */
  chance: number;
  strikes: 'road' | 'access' | 'touch-up' | 'inflator' | 'crew' | 'outdoors';
  factor?: number;
  minutes?: [number, number];
  source: string;
}

/** What a mishap does to a day: minutes that access opens later, and what each task takes. */
export interface Blow {
  accessLateMin: number;
  factorOf: (task: Task) => number;
  addsMin: (task: Task) => number;
}

const HOUR_MS = 3_600_000;
/** An hour with so much rain is a wet one, mm; a wet hour of a forecast comes true this often. From memory. */
const WET_MM = 0.2;
const WET_CHANCE = 0.6;

/** What may go wrong with this job: a drive only where there is one, rain only outdoors. */
function mishapsFor(file: JobFile): Mishap[] {
  const { job, site } = file;
  const outside = job.pieces.some((piece) => {
    const spot = site.spots.find(({ id }) => id === piece.spotId);
    return spot !== undefined && isOutdoors(spot, file);
  });
  const [from, until] = [Date.parse(job.access.from), Date.parse(job.doors)];
  const isWet = (job.weather?.hours ?? []).some(
    ({ at, rainMm }) => rainMm >= WET_MM && Date.parse(at) + HOUR_MS > from && Date.parse(at) < until,
  );
  return (data as Mishap[]).flatMap((one) => {
    if (one.strikes === 'outdoors') return outside && isWet ? [{ ...one, chance: WET_CHANCE }] : [];
    if (one.strikes === 'crew' && job.crew.length < 2) return [];
    return [one];
  });
}

/** Mishaps of people and gear meet every job of the day alike; the others each job by itself. */
const OF_THE_DAY = new Set<Mishap['strikes']>(['crew', 'inflator']);

/** What may go wrong with the jobs of a day, each with the jobs that it meets. */
export function mishapsOfDay(files: readonly JobFile[]): { mishap: Mishap; files: JobFile[] }[] {
  const own = files.flatMap((file) => mishapsFor(file).map((mishap) => ({ mishap, file })));
  return own.flatMap(({ mishap, file }) => {
    if (!OF_THE_DAY.has(mishap.strikes)) return [{ mishap, files: [file] }];
    const met = own.filter((one) => one.mishap.id === mishap.id).map((one) => one.file);
    return met[0] === file ? [{ mishap, files: met }] : [];
  });
}

/** How hard a mishap strikes on one day. */
export function blowOf(mishap: Mishap, file: JobFile, random: Random): Blow {
  const [least, most] = mishap.minutes ?? [0, 0];
  const minutes = least + (most - least) * random();
  const factor = mishap.factor ?? 1;
  const crew = file.job.crew.length;
  const share = (strikes: Mishap['strikes'], hit: boolean, by: number) =>
    mishap.strikes === strikes && hit ? by : 1;
  return {
    accessLateMin: mishap.strikes === 'access' ? minutes : 0,
    addsMin: ({ id }) => (mishap.strikes === 'touch-up' && id === 'touch-up' ? minutes : 0),
    factorOf: (task) =>
      share('road', task.place === 'road', factor) *
      share('inflator', task.blows !== undefined, factor) *
      share('outdoors', task.place === 'site', factor) *
      // The others take over: whatever a hand does takes longer by the share of hands that is gone.
      share('crew', task.place !== 'road' && task.crew.length > 0, crew / Math.max(1, crew - 1)),
  };
}
