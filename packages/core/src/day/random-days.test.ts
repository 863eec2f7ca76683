import type { JobFile, Piece } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { asWish } from '../clock/repair.ts';
import { draftPlan, workedJob } from '../plan.ts';
import { seededRandom } from '../quantity/random.ts';
import { type DayPlanned, dayBreaches } from '../test/day-rules.ts';
import { shareOf } from '../test/random-share.ts';
import { demoJob, garland } from '../test/samples.ts';
import { agreedTasks, type DayPlan, planningDay } from './plan-day.ts';

const iso = (moment: DateTime) => moment.toISO({ suppressMilliseconds: true }) as string;

/** Ordinary days, and nights on which the clocks change: two of them have no midnight. */
const nights = [
  ['America/Chicago', '2027-06-19'],
  ['America/Chicago', '2027-03-14'],
  ['America/Chicago', '2027-11-07'],
  ['America/Santiago', '2027-09-05'],
  ['Africa/Cairo', '2027-04-30'],
  ['Europe/Dublin', '2027-10-31'],
] as const;

const base = demoJob('02-engine-shed');

/** Garlands of all lengths, each drawn and counted once: it is the days that differ. */
const LENGTHS_FT = [4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14];
const pool = [0, 1].map((i) =>
  LENGTHS_FT.map(
    (feet): Piece => ({
      ...garland(feet, { seed: feet }),
      id: `piece-${i}`,
      spotId: 'north-wall',
    }),
  ),
);

/** A job that nobody has thought about: its pieces, people, hours, way and windows dealt. */
function dealt(random: () => number, day: string, zone: string, id: string): JobFile {
  const from = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  const file = structuredClone(base);
  file.workshop.schools = base.workshop.schools;
  const doors = DateTime.fromISO(`${day}T${String(from(9, 20)).padStart(2, '0')}:00`, { zone });
  const people = ['wren', 'ilo', 'sefa', 'bram'].filter(() => random() < 0.75);
  file.site.driveMin = from(0, 90);
  file.workshop.timeZone = zone;
  for (const member of file.workshop.crew)
    member.shift = { from: `0${from(5, 9)}:00`, to: `${from(19, 23)}:30` };
  file.job = {
    ...file.job,
    id,
    name: id,
    doors: iso(doors),
    access: {
      from: iso(doors.minus({ hours: from(3, 8) })),
      until: iso(doors.minus({ minutes: from(0, 2) * 15 })),
    },
    strike: { from: iso(doors.plus({ hours: 4 })), until: iso(doors.plus({ hours: 7 })) },
    crew: people.length > 0 ? people : ['wren'],
    pieces: Array.from({ length: from(1, 2) }, (_, i) => pool[i]?.[from(0, LENGTHS_FT.length - 1)] as Piece),
  };
  return file;
}

const readBack = (file: JobFile): DayPlanned => ({ file, plan: draftPlan(file) });

test('random days, nights of clock changes among them: no rule is broken unless the lamp says so', () => {
  const random = seededRandom(20);
  let planned = 0;
  for (let i = 0; i < shareOf(500); i++) {
    const [zone, day] = nights[i % nights.length] as (typeof nights)[number];
    const one = readBack(dealt(random, day, zone, `day-${i}`));
    if (one.plan.tasks.length > 0) planned += 1;
    expect([i, dayBreaches([one])]).toEqual([i, []]);
  }
  expect(planned).toBeGreaterThan(shareOf(300));
}, 240_000);

/** A plan of several jobs together. */
function together(files: readonly JobFile[], orders: number): DayPlan {
  const planning = planningDay(files.map(workedJob), orders);
  planning.run(orders);
  return planning.result();
}

const agreedOn = (files: readonly JobFile[], plan: DayPlan): JobFile[] =>
  files.map((file) => {
    const own = plan.jobs.find(({ jobId }) => jobId === file.job.id);
    const agreed = {
      at: file.job.doors,
      tasks: agreedTasks(own?.tasks ?? []),
      ...(own?.onTime.minutesInHand == null ? {} : { inHandMin: own.onTime.minutesInHand }),
    };
    return { ...file, job: { ...file.job, clock: { agreed } } };
  });

test('pairs of neighbouring days: agreed, changed, repaired, each job read back from its own file', () => {
  const random = seededRandom(21);
  let agreed = 0;
  let repaired = 0;
  for (let i = 0; agreed < shareOf(100); i++) {
    expect(i).toBeLessThan(400);
    const [zone, day] = nights[i % nights.length] as (typeof nights)[number];
    const next = DateTime.fromISO(day).plus({ days: 1 }).toISODate() as string;
    const files = [dealt(random, day, zone, 'first'), dealt(random, next, zone, 'second')];
    const [one] = files as [JobFile, JobFile];
    // Two at least for either, the same hours for everybody: most pairs can be done.
    for (const { job } of files) job.crew = [...new Set(['wren', 'ilo', ...job.crew])];
    for (const member of one.workshop.crew) member.shift = { from: '06:00', to: '23:00' };
    const shared = files.map((file) => ({ ...file, workshop: one.workshop }));
    const plan = together(shared, 40);
    if (plan.jobs.some(({ broken }) => broken.length > 0)) continue;
    agreed += 1;
    const kept = agreedOn(shared, plan).map(readBack);
    expect([i, dayBreaches(kept), kept.map((each) => each.plan.onTime.broken)]).toEqual([
      i,
      [],
      [null, null],
    ]);
    // As late as it goes: nothing is blown days before it is wanted.
    for (const { plan: own } of kept)
      expect([
        i,
        (Date.parse(own.onTime.doors) - Date.parse(own.onTime.benchFrom ?? '')) / 3_600_000 < 40,
      ]).toEqual([i, true]);
    // Somebody is away for half an hour in which they were to work.
    const task = kept[0]?.plan.tasks.find(({ place, crew }) => place === 'site' && crew.length > 0);
    const crew = one.workshop.crew.map((member) =>
      member.id === task?.crew[0]
        ? {
            ...member,
            busy: [
              {
                from: task.start,
                until: iso(DateTime.fromISO(task.start, { setZone: true }).plus({ minutes: 30 })),
                label: 'Away',
              },
            ],
          }
        : member,
    );
    const changed = kept.map(({ file }) => ({ ...file, workshop: { ...file.workshop, crew } }));
    const anew = together(changed.map(asWish), 60);
    if (anew.jobs.some(({ broken }) => broken.length > 0)) continue;
    repaired += 1;
    const mended = agreedOn(changed, anew).map(readBack);
    expect([i, dayBreaches(mended), mended.map((each) => each.plan.onTime.broken)]).toEqual([
      i,
      [],
      [null, null],
    ]);
  }
  expect(repaired).toBeGreaterThan(shareOf(60));
}, 240_000);
