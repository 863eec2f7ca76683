import type { Site } from '@early-lantern/contract';
import type { Hold, Problem } from '../schedule/problem.ts';
import type { MinuteAxis } from './calendar.ts';
import type { DayJob } from './day-job.ts';
import { floorM2Of } from './floor.ts';
import type { Work } from './work.ts';

/** More than ever work at once: a place that is open has room for all. */
const ALL = 99;
/** The floor is shared out in pieces of this size, m². */
const FLOOR_UNIT_M2 = 0.25;

/** What places allow, as counted gear: how much of it there is, when there is none of it, and who holds it. */
interface Places {
  limits: Record<string, number>;
  absences: NonNullable<Problem['absences']>;
  holds: Hold[];
}

const OPEN = 'open';
const FLOOR = 'floor';
const noise = ({ file }: DayJob) => `noise:${file.job.id}`;
const kerb = ({ file }: DayJob) => `kerb:${file.job.id}`;

/**
 * The workshop's hours, the houses' quiet hours, hours at the kerb, and the floor on which finished sections lie from their first cluster
 * until they are loaded.
 */
export function placesOf(jobs: readonly DayJob[], axis: MinuteAxis): Places {
  const { workshop } = (jobs[0] as DayJob).file;
  const shut = workshop.hours ? axis.outside(workshop.hours) : [];
  const noisy = jobs.flatMap((job) => {
    const { quiet } = job.file.site;
    return quiet && job.work.some((work) => isTooLoud(work, quiet))
      ? [{ kind: noise(job), hours: axis.daily(quiet) }]
      : [];
  });
  const kerbs = jobs.flatMap((job) => {
    const { kerb: allowed } = job.file.site.loadIn;
    return allowed && job.work.some(isAtKerb) ? [{ kind: kerb(job), hours: axis.outside(allowed) }] : [];
  });
  const closed = [...noisy, ...kerbs];
  const room = workshop.floorM2 ? Math.floor(workshop.floorM2 / FLOOR_UNIT_M2) : undefined;
  return {
    limits: {
      ...(workshop.hours ? { [OPEN]: ALL } : {}),
      ...Object.fromEntries(closed.map(({ kind }) => [kind, ALL])),
      ...(room === undefined ? {} : { [FLOOR]: room }),
    },
    absences: [
      ...shut.map(([from, until]) => ({ kind: OPEN, count: ALL, from, until })),
      ...closed.flatMap(({ kind, hours }) =>
        hours.map(([from, until]) => ({ kind, count: ALL, from, until })),
      ),
    ],
    holds: room === undefined ? [] : jobs.flatMap((job) => floorHolds(job, room)),
  };
}

/** What a task takes of the places it is done at. */
export function placeGear(work: Work, job: DayJob): Record<string, number> {
  const { workshop, site } = job.file;
  const inHours = workshop.hours && work.place === 'workshop' && work.trip !== 'strike';
  return {
    ...(inHours ? { [OPEN]: 1 } : {}),
    ...(site.quiet && isTooLoud(work, site.quiet) ? { [noise(job)]: 1 } : {}),
    ...(site.loadIn.kerb && isAtKerb(work) ? { [kerb(job)]: 1 } : {}),
  };
}

/** What is carried between the van at the set-down and the spot. */
const AT_KERB = new Set(['unload-first', 'unload', 'second-unload', 'load-out', 'carry-out']);
export const isAtKerb = ({ id }: Work): boolean => AT_KERB.has(id);

const isTooLoud = (work: Work, { loud = ['inflators'] }: NonNullable<Site['quiet']>): boolean =>
  work.place === 'site' &&
  ((loud.includes('inflators') && work.gear.includes('inflator')) ||
    (loud.includes('carrying') && isAtKerb(work)) ||
    (work.noise !== undefined && loud.includes(work.noise)));

/** Where a job alone needs more floor than there is, it takes all of it: the bench says so. */
function floorHolds(job: DayJob, room: number): Hold[] {
  const { file, pieces, work } = job;
  const id = (task: string) => `${file.job.id}:${task}`;
  const wanted = pieces.flatMap(({ piece, recipe }) => {
    const first = work.find(
      (one) => one.pieceId === piece.id && one.place === 'workshop' && one.id.includes('--cluster'),
    );
    const units = Math.ceil(floorM2Of(recipe) / FLOOR_UNIT_M2);
    return first && units > 0 ? [{ first, units, piece }] : [];
  });
  const all = wanted.reduce((sum, { units }) => sum + units, 0);
  const share = Math.min(1, room / Math.max(1, all));
  return wanted.flatMap(({ first, units, piece }) => {
    const taken = Math.floor(units * share);
    return taken === 0
      ? []
      : [
          {
            id: id(`floor-${piece.id}`),
            from: id(first.id),
            until: id(work.some((one) => one.id === 'load-vehicle') ? 'load-vehicle' : 'step-back'),
            workers: [],
            gear: { [FLOOR]: taken },
            inside: [],
          },
        ];
  });
}
