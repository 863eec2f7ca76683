import type { JobFile } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import type { WorkedJob } from '../clock/day-job.ts';
import { draftPlan, judgeJob, roundGoodsOf, workedJob } from '../plan.ts';
import { seededRandom } from '../quantity/random.ts';
import { dayBreaches } from '../test/day-rules.ts';
import { shareOf } from '../test/random-share.ts';
import { demoJob, garland } from '../test/samples.ts';
import { driveBetween } from '../travel/between.ts';
import { clashesOf } from './clashes.ts';
import { agreedTasks, type DayPlan, loadedRounds, placesReloaded, planningDay } from './plan-day.ts';
import { dropOffsOf } from './round-changes.ts';
import { joined } from './round-choice.ts';
import { drivenRounds, placesGone } from './round-legs.ts';

const DAY = '2027-06-12';

/** A small job of the demo on one day, with two people. */
function small(
  name: string,
  [access, doors, strike, until]: readonly [string, string, string, string],
): JobFile {
  const file = demoJob(name);
  const at = (hour: string) => `${DAY}T${hour}:00-05:00`;
  const { clock: _, arrival: __, vehicles: ___, cars: ____, ...job } = file.job;
  return {
    ...file,
    job: {
      ...job,
      doors: at(doors),
      access: { from: at(access), until: at(doors) },
      strike: { from: at(strike), until: at(until) },
      crew: ['wren', 'ilo'],
      strikeCrew: ['wren', 'ilo'],
    },
  };
}

/** Doors at noon, one and three; three strikes in the evening. */
const threeSmall = () => [
  small('90-boat-hall', ['07:00', '12:00', '17:00', '20:00']),
  small('91-reading-room', ['08:00', '13:00', '17:30', '21:00']),
  small('93-seed-fair', ['09:00', '15:00', '18:00', '22:00']),
];

function planned(files: readonly JobFile[], orders: number): DayPlan {
  const planning = planningDay(files.map(workedJob), orders);
  while (!planning.isOver) planning.run(100);
  return planning.result();
}

/** The jobs as they are kept once the plan of their day is used. */
const agreedOn = (files: readonly JobFile[], { jobs, rounds }: DayPlan): JobFile[] =>
  files.map((file) => {
    const own = jobs.find(({ jobId }) => jobId === file.job.id);
    const agreed = { at: file.job.doors, tasks: agreedTasks(own?.tasks ?? []) };
    const mine = rounds.filter(({ stops }) => stops.some(({ job }) => job === file.job.id));
    return { ...file, job: { ...file.job, clock: { agreed, ...(mine.length > 0 ? { rounds: mine } : {}) } } };
  });

const readBack = (files: readonly JobFile[]) => files.map((file) => ({ file, plan: draftPlan(file) }));

test('the drive from place to place: as fast as those to the workshop, over it where nobody has marked a place', () => {
  const [a, b] = threeSmall() as [JobFile, JobFile];
  const place = (file: JobFile, driveMin: number, lon: number | undefined): JobFile => ({
    ...file,
    workshop: { ...file.workshop, at: { lon: 0, lat: 0 } },
    site: { ...file.site, driveMin, ...(lon === undefined ? { at: undefined } : { at: { lon, lat: 0 } }) },
  });
  // On one road, 0.1° and 0.2° out in 13 and 23 min: three for the ends, so a tenth of a degree in ten minutes.
  expect(driveBetween(place(a, 13, 0.1), place(b, 23, 0.2))).toEqual({ minutes: 13, isOverWorkshop: false });
  // On the other side of the workshop: three tenths, less than the way over it with its ends counted twice.
  expect(driveBetween(place(a, 13, -0.1), place(b, 23, 0.2))).toEqual({ minutes: 33, isOverWorkshop: false });
  expect(driveBetween(place(a, 13, undefined), place(b, 23, 0.2))).toEqual({
    minutes: 36,
    isOverWorkshop: true,
  });
  expect(driveBetween(a, { ...b, site: a.site }).minutes).toBe(1);
});

test('three small jobs, two people, one of two vehicles: one round to set up and one to take down, not three drives home', () => {
  const files = threeSmall();
  const plan = planned(files, 1500);
  expect(plan.jobs.map(({ broken }) => broken)).toEqual([[], [], []]);
  expect(plan.rounds.map(({ trip, stops }) => [trip, stops.length])).toEqual([
    ['set-up', 3],
    ['strike', 3],
  ]);
  const apart = planned(
    files.map((file) => ({ ...file, job: { ...file.job, clock: { drivesAlone: ['set-up', 'strike'] } } })),
    1500,
  );
  expect(apart.rounds).toEqual([]);
  // Driven one by one the first doors open on unfinished work; and twice out and home more is driven, each trip.
  expect(apart.jobs.some(({ broken }) => broken.length > 0)).toBe(true);
  expect(onTheRoad(plan)).toBeLessThan(onTheRoad(apart) - 30);
  const agreed = agreedOn(files, { ...plan, rounds: loadedRounds(files, plan) });
  const kept = readBack(agreed);
  expect(dayBreaches(kept)).toEqual([]);
  expect(clashesOf(kept)).toEqual([]);
  expect(kept.map((one) => one.plan.onTime.broken)).toEqual([null, null, null]);
  // One vehicle goes round: out, two drives on, home.
  const [up] = drivenRounds(plan);
  expect(up?.vehicles).toHaveLength(1);
  for (const [i, { arrive, leave }] of (up?.places ?? []).entries()) {
    expect(Date.parse(arrive)).toBeLessThan(Date.parse(leave));
    expect(Date.parse(leave)).toBeLessThan(Date.parse(up?.places[i + 1]?.arrive ?? up?.home ?? ''));
  }
});

/** Minutes that vehicles are driven. */
const onTheRoad = ({ jobs }: DayPlan): number =>
  jobs
    .flatMap(({ tasks }) => tasks.filter(({ place }) => place === 'road'))
    .reduce((sum, { start, end }) => sum + (Date.parse(end) - Date.parse(start)) / 60_000, 0);

test('what rides to all places of a round is one load: on every job’s page the same, what comes off last farthest in', () => {
  const files = threeSmall();
  const plan = planned(files, 1500);
  const agreed = agreedOn(files, { ...plan, rounds: loadedRounds(files, plan) });
  const loads = agreed.map((file) => judgeJob(file).fits.vehicles[0]);
  const where = (load: (typeof loads)[number]) =>
    load?.items.map(({ place, label, x, y, z }) => [place, label, x, y, z]);
  expect(where(loads[1])).toEqual(where(loads[0]));
  expect(where(loads[2])).toEqual(where(loads[0]));
  const order = plan.rounds[0]?.stops.map(({ place }) => place) ?? [];
  const items = loads[0]?.items ?? [];
  expect(new Set(items.flatMap(({ place }) => place ?? []))).toEqual(new Set(order));
  // Tools and ladders serve everywhere and are in once.
  expect(new Set(items.map(({ id }) => id)).size).toBe(items.length);
  // Nothing for a later place stands between what is for an earlier one and the door.
  for (const early of items)
    for (const late of items)
      if (late.place && early.place && order.indexOf(late.place) > order.indexOf(early.place))
        expect(
          late.x >= early.x + early.l &&
            late.y < early.y + early.w &&
            early.y < late.y + late.w &&
            late.z < early.z + early.h &&
            early.z < late.z + late.h,
        ).toBe(false);
});

test('a day so tight that no short search finds a plan with three drives has one with fewer', () => {
  // The last strike ends half an hour before the second of the two goes home.
  const files = [
    small('04-regatta-breakfast', ['07:00', '11:30', '16:30', '19:00']),
    small('05-chart-hour', ['08:00', '13:30', '17:00', '20:00']),
    small('06-cuttings-exchange', ['09:00', '15:30', '18:00', '21:00']),
  ];
  const { jobs, rounds } = planned(files, 2500);
  expect(jobs.map(({ broken }) => broken)).toEqual([[], [], []]);
  expect(rounds.length).toBeGreaterThan(0);
});

test('two places at the same hour, one van: one crew is dropped off with its things and fetched again on the way home', () => {
  const at = (name: string, crew: string[]): JobFile => {
    const file = small(name, ['08:00', '12:15', '17:00', '22:00']);
    const job = { ...file.job, access: { ...file.job.access, until: `${DAY}T15:00:00-05:00` } };
    return {
      ...file,
      workshop: {
        ...file.workshop,
        vehicles: file.workshop.vehicles.slice(0, 1).map((van) => ({ ...van, seats: 5 })),
      },
      // Either has a ladder there.
      job: { ...job, crew, strikeCrew: crew, hiredLadders: file.workshop.ladders?.map(({ id }) => id) },
    } as JobFile;
  };
  const files = [at('90-boat-hall', ['wren', 'sefa']), at('91-reading-room', ['ilo', 'bram'])];
  const plan = planned(files, 2500);
  expect(plan.jobs.map(({ broken }) => broken)).toEqual([[], []]);
  const round = plan.rounds.find(({ trip }) => trip === 'set-up');
  expect(round?.stops.map(({ does }) => does)).toEqual(['drop', undefined, 'fetch']);
  expect(round?.stops[1]?.riders).toHaveLength(2);
  // Every job of it read back from its own file.
  const agreed = agreedOn(files, { ...plan, rounds: loadedRounds(files, plan) });
  const kept = readBack(agreed);
  expect(dayBreaches(kept)).toEqual([]);
  expect(clashesOf(kept)).toEqual([]);
  expect(kept.map((one) => one.plan.onTime.broken)).toEqual([null, null]);
  // Both crews have tools of their own in the van.
  const kit = judgeJob(agreed[0] as JobFile).fits.vehicles[0]?.items.filter(({ kind }) => kind === 'kit');
  const own = (kit ?? []).filter(({ place }) => place !== undefined).map(({ label }) => label);
  expect(own.length).toBeGreaterThan(0);
  expect((kit ?? []).filter(({ label }) => label === own[0])).toHaveLength(2);
});

test('things that do not go in together are driven apart', () => {
  const files = threeSmall();
  const planning = planningDay(files.map(workedJob), 1500, () => false);
  while (!planning.isOver) planning.run(100);
  expect(planning.result().rounds.filter(({ trip }) => trip === 'set-up')).toEqual([]);
  expect(roundGoodsOf(files[0] as JobFile).length).toBeGreaterThan(5);
});

test('random days of up to four places, three vehicles, six people, their drives joined at random: no rule is broken', () => {
  const random = seededRandom(31);
  const from = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  const base = demoJob('02-engine-shed');
  const crew = Array.from({ length: 6 }, (_, i) => ({
    ...(base.workshop.crew[i % base.workshop.crew.length] as (typeof base.workshop.crew)[number]),
    id: `person-${i}`,
    shift: { from: '05:00', to: '23:30' },
  }));
  const [van] = base.workshop.vehicles;
  const vehicles = [1, 2, 3].map(
    (i) => ({ ...van, id: `vehicle-${i}`, name: `Vehicle ${i}`, seats: 6 }) as never,
  );
  const workshop = { ...base.workshop, crew, vehicles };
  const ladders = (workshop.ladders ?? []).map(({ id }) => id);
  // Pieces drawn and counted once: it is the days that differ.
  const pool = [4, 6, 8].map((feet) => workedJob(oneGarland({ ...base, workshop }, feet)));
  const iso = (moment: DateTime) => moment.toISO({ suppressMilliseconds: true }) as string;
  let rounds = 0;
  const left = { home: 0, on: 0 };
  for (let day = 0; day < shareOf(500); day++) {
    const number = from(2, 4);
    const shared = crew.filter(() => random() < 0.5).map(({ id }) => id);
    const worked = Array.from({ length: number }, (_, i): WorkedJob => {
      const { file, pieces } = pool[from(0, pool.length - 1)] as WorkedJob;
      const doors = DateTime.fromISO(`${DAY}T${10 + 2 * i}:00`, { zone: workshop.timeZone });
      const own = [...new Set(['person-0', ...shared.filter(() => random() < 0.8)])];
      return {
        pieces,
        file: {
          ...file,
          site: {
            ...file.site,
            id: `site-${i}`,
            name: `Place ${i}`,
            driveMin: from(1, 45),
            at: { lon: -30 + from(-9, 9) / 100, lat: 45 + from(-9, 9) / 100 },
          },
          job: {
            ...file.job,
            id: `job-${i}`,
            name: `Job ${i}`,
            doors: iso(doors),
            access: {
              from: iso(doors.minus({ hours: from(3, 5) })),
              until: iso(doors.plus({ hours: from(0, 3) })),
            },
            strike: { from: iso(doors.plus({ hours: 5 })), until: iso(doors.plus({ hours: 11 })) },
            crew: own,
            strikeCrew: own,
            // Else whoever is dropped off has no ladder where the others took it along.
            ...(random() < 0.5 ? { hiredLadders: ladders } : {}),
          },
        },
      };
    });
    const rode = (['set-up', 'strike'] as const).reduce<WorkedJob[]>((all, trip) => {
      const ids = worked.map(({ file }) => file.job.id).filter(() => random() < 0.75);
      return ids.length < 2 ? all : joined(all, { trip, jobs: ids });
    }, worked);
    // On some days people are dropped off: on a round, or somebody brings a crew and drives off.
    const ways = dropOffsOf(rode.map(({ file }) => file));
    const way = ways[from(0, ways.length - 1)];
    const chosen = way && random() < 0.5 ? joined(rode, way) : rode;
    const planning = planningDay(chosen, 6);
    planning.run(6);
    const plan = planning.result();
    if (plan.jobs.some(({ tasks }) => tasks.length === 0)) continue;
    rounds += plan.rounds.length;
    for (const { stops } of plan.rounds)
      for (const { does, byHome } of stops) if (does === 'fetch') left[byHome ? 'home' : 'on'] += 1;
    const read = plan.jobs.map(({ jobId, tasks, onTime }) => {
      const { file } = chosen.find((one) => one.file.job.id === jobId) as WorkedJob;
      // Windows left are told by the lamp, which is not asked here.
      return {
        file,
        plan: { tasks, onTime, holds: { pieces: [] }, lamps: { onTime: { state: 'out' } } } as never,
      };
    });
    expect([day, dayBreaches(read)]).toEqual([day, []]);
  }
  expect(rounds).toBeGreaterThan(shareOf(400));
  expect(Math.min(left.home, left.on)).toBeGreaterThan(shareOf(50));
}, 240_000);

function oneGarland(file: JobFile, feet: number): JobFile {
  const spotId = file.site.spots[0]?.id ?? '';
  return { ...file, job: { ...file.job, pieces: [{ ...garland(feet), spotId }] } };
}

test('a piece changed once its round is agreed: the load that the others show is told to be old, until the plan is used again', () => {
  const files = threeSmall();
  const plan = planned(files, 1500);
  const agreed = agreedOn(files, { ...plan, rounds: loadedRounds(files, plan) });
  expect(placesReloaded(agreed)).toEqual([]);
  const [boat, reading, fair] = agreed as [JobFile, JobFile, JobFile];
  const wider: JobFile = {
    ...reading,
    job: { ...reading.job, pieces: oneGarland(reading, 19).job.pieces },
  };
  const changed = [boat, wider, fair];
  expect(placesReloaded(changed)).toEqual([reading.site.name]);
  const again = agreedOn(changed, { ...plan, rounds: loadedRounds(changed, plan) });
  expect(placesReloaded(again)).toEqual([]);
});

test('a job of a round that is deleted or moved to another day: the others say so, and drive without it once planned anew', () => {
  const files = threeSmall();
  const plan = planned(files, 1500);
  const agreed = agreedOn(files, { ...plan, rounds: loadedRounds(files, plan) });
  expect(placesGone(agreed)).toEqual([]);
  const [boat, reading, fair] = agreed as [JobFile, JobFile, JobFile];
  expect(placesGone([boat, fair])).toEqual([reading.site.name]);
  // Moved by a week it is driven to by itself.
  const later = (iso: string) =>
    DateTime.fromISO(iso, { setZone: true })
      .plus({ weeks: 1 })
      .toISO({ suppressMilliseconds: true }) as string;
  const { job } = reading;
  const moved: JobFile = {
    ...reading,
    job: {
      ...job,
      doors: later(job.doors),
      access: { from: later(job.access.from), until: later(job.access.until) },
      strike: { from: later(job.strike.from), until: later(job.strike.until) },
      clock: { rounds: job.clock?.rounds },
    },
  };
  const alone = draftPlan(moved);
  expect(alone.onTime.leaveFrom).toBeNull();
  expect(alone.tasks.map(({ id }) => id)).toEqual(expect.arrayContaining(['drive-home', 'drive-back']));
  const anew = planned(
    [boat, fair].map((file) => ({
      ...file,
      job: { ...file.job, clock: { rounds: file.job.clock?.rounds } },
    })),
    20,
  );
  expect(anew.rounds).toEqual([]);
  expect(anew.jobs.map(({ broken }) => broken)).toEqual([[], []]);
});
