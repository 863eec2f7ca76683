import type { Change, CrewMember, JobFile } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import type { WorkedJob } from '../clock/day-job.ts';
import { dayProblem } from '../clock/day-problem.ts';
import { DaySearch } from '../clock/day-search.ts';
import { laddersOf } from '../clock/dress-work.ts';
import { blowInWorkshop } from '../lamps/blow-in-workshop.ts';
import { applyChanges } from '../lamps/fixes.ts';
import { fluffDropped } from '../piece/fluff.ts';
import { formatLength } from '../quantity/length.ts';
import { listed } from '../quantity/listed.ts';
import { planningDay } from './plan-day.ts';
import { roundsOf } from './rounds.ts';
import type { Culprit } from './why-not.ts';

/** Changes to one or several jobs that were tried: with them every window is kept. */
export interface WayOut {
  label: string;
  /** What it gives once the day is planned with it: minutes to spare of each job, in their order. */
  inHand: number[];
  /** Paid hours of the day with it, and their wages where everybody's is known. */
  paidHours: number;
  wages: number | null;
  changes: { jobId: string; changes: Change[] }[];
  /** Somebody from outside, for that day. */
  hire?: CrewMember;
}

type Attempt = Omit<WayOut, 'inHand' | 'paidHours' | 'wages'>;

/** Orders tried with each change; so many where the rounds are looked for as well. */
const TRIED = 300;
const TRIED_WITH_ROUNDS = 1500;

/**
 * Ways out of a day that cannot be done, each tried by the search: other people on a strike or a set-up, a window that
 * opens earlier or closes later, work moved to the workshop. A hired ladder first, then people of the house, then asking
 * the client, then less on site; of each kind the smallest change that helps.
 * @param work works out a file's pieces, as for any plan
 * @returns after each attempt how many of how many are done, with the way where it leads out
 */
export function* waysOut(
  files: readonly JobFile[],
  culprits: readonly Culprit[],
  work: (file: JobFile) => WorkedJob,
): Generator<{ done: number; of: number; way?: WayOut }, void, void> {
  const families: { most: number; attempts: Attempt[]; orders?: number }[] = [
    { most: 1, attempts: freeRounds(files), orders: TRIED_WITH_ROUNDS },
    { most: 1, attempts: hiredLadders(files, files.map(work)) },
    ...culprits.map((culprit) => ({ most: 2, attempts: crewSwaps(files, culprits, culprit) })),
    ...culprits.map((culprit) => ({ most: 1, attempts: hiring(files, culprit) })),
    ...culprits.map((culprit) => ({ most: 1, attempts: askedTimes(files, culprit) })),
    { most: 1, attempts: lessOnSite(files) },
    ...files.map((file) => ({ most: 1, attempts: lessFluff(file, work(file)) })),
  ];
  const of = families.reduce((sum, { attempts }) => sum + attempts.length, 0);
  let done = 0;
  for (const { most, attempts, orders } of families) {
    let found = 0;
    for (const attempt of attempts) {
      done += 1;
      if (found === most) {
        yield { done, of };
        continue;
      }
      const changed = files.map((file) => {
        const own = attempt.changes.find(({ jobId }) => jobId === file.job.id);
        const { hire } = attempt;
        const staffed = hire
          ? { ...file, workshop: { ...file.workshop, crew: [...file.workshop.crew, hire] } }
          : file;
        return own ? applyChanges(staffed, own.changes) : staffed;
      });
      const way = tried(attempt, changed.map(work), orders);
      if (way) found += 1;
      yield { done, of, ...(way ? { way } : {}) };
    }
  }
}

/** The way with what it gives; undefined where some window is still left. */
function tried(attempt: Attempt, worked: readonly WorkedJob[], orders = TRIED): WayOut | undefined {
  if (orders === TRIED) {
    const search = new DaySearch(dayProblem(worked), TRIED);
    while (search.tried < TRIED && !search.isAsWanted) search.runForward(30);
    if (search.lateMin > 0) return undefined;
  }
  // What it is worth is what the plan made with it comes to.
  const planning = planningDay(worked, orders);
  while (!planning.isOver) planning.run(TRIED);
  const { jobs, paidHours, wages } = planning.result();
  if (jobs.some(({ broken }) => broken.length > 0)) return undefined;
  return { ...attempt, inHand: jobs.map(({ onTime }) => onTime.minutesInHand ?? 0), paidHours, wages };
}

const nameOf = (crew: readonly CrewMember[], id: string) =>
  crew.find((one) => one.id === id)?.name.split(' ')[0] ?? id;

/**
 * Other people for a strike that clashes, and those who strike taken off the set-up they would be missing from. Fewest
 * changes first.
 */
function crewSwaps(
  files: readonly JobFile[],
  culprits: readonly Culprit[],
  { jobId, part }: Culprit,
): Attempt[] {
  if (part !== 'strike') return [];
  const file = files.find(({ job }) => job.id === jobId) as JobFile;
  const { crew } = file.workshop;
  const names = (ids: readonly string[]) => listed(ids.map((id) => nameOf(crew, id)));
  const verb = (ids: readonly string[], one: string, many: string) => (ids.length === 1 ? one : many);
  const isRival = (other: JobFile) =>
    other.job.id !== jobId && culprits.some((one) => one.jobId === other.job.id && one.part === 'set-up');
  const rivals = files.filter(isRival);
  const busy = new Set([...file.job.crew, ...rivals.flatMap(({ job }) => job.crew)]);
  // Who has nothing to do that day can stand in for those who leave.
  const spare = crew.map(({ id }) => id).filter((id) => !busy.has(id));
  return [[], ...spare.map((id) => [id])]
    .flatMap((standIns) => teamsOf(crew).map((team) => ({ team, standIns })))
    .filter(({ team, standIns }) => !standIns.some((id) => team.includes(id)))
    .map(({ team, standIns }): Attempt => {
      const moved = rivals.flatMap((rival) => {
        const staying = rival.job.crew.filter((id) => !team.includes(id));
        const left = [...staying, ...standIns];
        const isChanged = staying.length < rival.job.crew.length || standIns.length > 0;
        return isChanged && canGo(left, rival) ? [{ rival, left }] : [];
      });
      return {
        label: [
          `${names(team)} ${verb(team, 'takes', 'take')} down ${file.job.name}`,
          ...moved.map(
            ({ rival, left }) => `${names(left)} ${verb(left, 'puts', 'put')} up ${rival.job.name}`,
          ),
        ].join('; '),
        changes: [
          { jobId, changes: [{ path: '/job/strikeCrew', value: team }] },
          ...moved.map(({ rival, left }) => ({
            jobId: rival.job.id,
            changes: [{ path: '/job/crew', value: left }],
          })),
        ],
      };
    })
    .sort((a, b) => a.changes.length - b.changes.length);
}

/** Somebody from outside who drives: to take down alone, or to help put up. Nobody the house knows already. */
function hiring(files: readonly JobFile[], { jobId, part }: Culprit): Attempt[] {
  const { job, workshop } = files.find((file) => file.job.id === jobId) as JobFile;
  const id = `hired-${job.doors.slice(0, 10)}`;
  if (workshop.crew.some((member) => member.id === id)) return [];
  const hire: CrewMember = {
    id,
    name: `Hired for ${DateTime.fromISO(job.doors, { zone: workshop.timeZone }).toFormat('d LLLL', { locale: 'en' })}`,
    skills: ['driver', 'ladder', 'tying'],
    shift: { from: '06:00', to: '22:00' },
  };
  const at = (iso: string) => DateTime.fromISO(iso, { zone: workshop.timeZone }).toFormat('HH:mm');
  return [
    part === 'strike'
      ? {
          label: `Hire somebody who drives, about ${at(job.strike.from)} to ${at(job.strike.until)}, to take down ${job.name}`,
          hire,
          changes: [{ jobId, changes: [{ path: '/job/strikeCrew', value: [id] }] }],
        }
      : {
          label: `Hire somebody, from about ${at(job.access.from)} until doors, to help put up ${job.name}`,
          hire,
          changes: [{ jobId, changes: [{ path: '/job/crew', value: [...job.crew, id] }] }],
        },
  ];
}

/** Whether people can set a job up at all: somebody drives. */
const canGo = (crew: readonly string[], { workshop }: JobFile): boolean =>
  workshop.crew.some((member) => crew.includes(member.id) && member.skills.includes('driver'));

/** Pairs of people of whom one drives; a driver alone comes last. */
function teamsOf(crew: readonly CrewMember[]): string[][] {
  const drives = ({ skills }: CrewMember) => skills.includes('driver');
  const pairs = crew.flatMap((a, i) =>
    crew.slice(i + 1).flatMap((b) => (drives(a) || drives(b) ? [[a.id, b.id]] : [])),
  );
  return [...pairs, ...crew.filter(drives).map(({ id }) => [id])];
}

/** What the client could be asked: to open earlier, or to let the strike run on. */
function askedTimes(files: readonly JobFile[], { jobId, part }: Culprit): Attempt[] {
  const { job, workshop } = files.find((file) => file.job.id === jobId) as JobFile;
  const moved = (iso: string, minutes: number) =>
    DateTime.fromISO(iso, { zone: workshop.timeZone }).plus({ minutes });
  return [15, 30, 45, 60, 90].map((minutes) => {
    const at = part === 'strike' ? moved(job.strike.until, minutes) : moved(job.access.from, -minutes);
    return {
      label:
        part === 'strike'
          ? `Ask ${job.name} to let the strike run until ${at.toFormat('HH:mm')}`
          : `Ask ${job.name} for access from ${at.toFormat('HH:mm')}`,
      changes: [
        {
          jobId,
          changes: [
            {
              path: part === 'strike' ? '/job/strike/until' : '/job/access/from',
              value: at.toISO({ suppressMilliseconds: true }) as string,
            },
          ],
        },
      ],
    };
  });
}

/** Rounds that were put in order by hand left to the search again. */
function freeRounds(files: readonly JobFile[]): Attempt[] {
  return roundsOf(files)
    .filter(({ isKept }) => isKept)
    .map(({ trip, stops }) => ({
      label: `Let the search decide about the round ${trip === 'set-up' ? 'to set up' : 'to take down'}`,
      changes: files
        .filter(({ job }) => stops.some((stop) => stop.job === job.id))
        .map(({ job }) => ({
          jobId: job.id,
          changes: [
            {
              path: '/job/clock/rounds',
              value: (job.clock?.rounds ?? []).filter((one) => one.trip !== trip),
            },
          ],
        })),
    }));
}

/** One more of a ladder that several jobs are done from, for one of them. */
function hiredLadders(files: readonly JobFile[], worked: readonly WorkedJob[]): Attempt[] {
  const needs = worked.map(
    ({ pieces }, i) => new Set(pieces.flatMap((one) => laddersOf(one, files[i] as JobFile))),
  );
  const shared = [...new Set(needs.flatMap((own) => [...own]))].filter(
    (id) => needs.filter((own) => own.has(id)).length > 1,
  );
  return shared.flatMap((id) => {
    const at = needs.findLastIndex((own) => own.has(id));
    const { job, workshop } = files[at] as JobFile;
    const name = workshop.ladders?.find((one) => one.id === id)?.name ?? id;
    return job.hiredLadders?.includes(id)
      ? []
      : [
          {
            label: `Hire one more ladder like ${name} for ${job.name}`,
            changes: [
              {
                jobId: job.id,
                changes: [{ path: '/job/hiredLadders', value: [...(job.hiredLadders ?? []), id] }],
              },
            ],
          },
        ];
  });
}

/** Garlands left as wide as their base makes them, one after the other: the fluffing at their sides is dropped. */
function lessFluff({ job, workshop }: JobFile, { pieces }: WorkedJob): Attempt[] {
  return pieces.flatMap(({ piece, recipe }, p): Attempt[] => {
    const narrower = fluffDropped(piece, recipe);
    return narrower === undefined
      ? []
      : [
          {
            label: `Drop the fluffing on ${piece.name} of ${job.name}: ${formatLength(narrower, workshop.units)} wide`,
            changes: [{ jobId: job.id, changes: [{ path: `/job/pieces/${p}/widthM`, value: narrower }] }],
          },
        ];
  });
}

/** Everything blown in the workshop, where some of it is blown on site. */
function lessOnSite(files: readonly JobFile[]): Attempt[] {
  return files.flatMap((file): Attempt[] => {
    const changes = blowInWorkshop(file);
    const { id: jobId, name } = file.job;
    return changes.length === 0
      ? []
      : [{ label: `Blow everything for ${name} in the workshop`, changes: [{ jobId, changes }] }];
  });
}
