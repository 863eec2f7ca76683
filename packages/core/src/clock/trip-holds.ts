import { sumOf } from '../quantity/group.ts';
import type { Hold } from '../schedule/problem.ts';
import { type DayJob, inDay } from './day-job.ts';
import { hires, laddersOf } from './job-ladders.ts';
import { DRIVES, mostOnBoard } from './legs.ts';
import { carsOn } from './rounds.ts';
import { doneAt, type Outing, outingsOf, peopleAway, type TripJobs } from './trips.ts';
import { chosenVehicles, ownVehicle } from './vehicle-kinds.ts';

/** What is away for a while, and the tasks that say so. */
interface Taken {
  hold: Hold;
  tasks: string[];
}

const named = ({ trip, jobs }: TripJobs, name: string) => inDay(jobs[0].file.job.id, `${trip}-${name}`);

/** Who is away together on a trip, each for as long as they are, and the ladders that ride along. */
export function tripHolds(one: TripJobs): Hold[] {
  const { trip, jobs } = one;
  const inside = jobs.flatMap(({ file, work }) =>
    work.filter((each) => each.trip === trip).map((each) => inDay(file.job.id, each.id)),
  );
  return [
    ...peopleAway(one).map(
      ({ from, until, workers }, i): Hold => ({
        id: named(one, `crew-${i + 1}`),
        group: named(one, 'crew'),
        from,
        until,
        workers,
        gear: {},
        inside,
      }),
    ),
    ...ladderHolds(one),
  ];
}

/** Those who drive on share their ladders; whoever is dropped off has their own there. A hired one is its job's own. */
function ladderHolds(one: TripJobs): Hold[] {
  const { trip, jobs, round, legs } = one;
  const isDropped = ({ file }: DayJob) =>
    round.stops.some(({ job, does }) => job === file.job.id && does === 'drop');
  const [first, last] = [legs[0], legs.filter(({ stop }) => !round.stops[stop]?.keeps).at(-1) ?? legs.at(-1)];
  if (!first || !last) return [];
  const end = last.isHome ? inDay(last.job, last.task) : doneAt(one, last.stop, true);
  if (!end) return [];
  const groups = [jobs.filter((job) => !isDropped(job)), ...jobs.filter(isDropped).map((job) => [job])];
  return groups.flatMap((together, i): Hold[] => {
    const owned = new Set(
      together.flatMap((job) => [...laddersOf(job.work)].filter((ladder) => !hires(job, ladder))),
    );
    const [job] = together;
    if (!job || owned.size === 0) return [];
    const home = legs.find(({ job: id, task }) => id === job.file.job.id && task === DRIVES[trip].home);
    return [
      {
        id: named(one, `ladders-${i}`),
        from: i === 0 ? inDay(first.job, first.task) : inDay(job.file.job.id, DRIVES[trip].out),
        until: i > 0 && home ? inDay(home.job, home.task) : end,
        workers: [],
        gear: Object.fromEntries([...owned].map((ladder) => [`ladder:${ladder}`, 1])),
        inside: [],
      },
    ];
  });
}

/** The vehicles of each outing of a trip. */
export const vehicleHolds = (one: TripJobs): Taken[] =>
  outingsOf(one).map((outing, i) => ({
    hold: {
      id: named(one, i === 0 ? 'vehicle' : `vehicle-${i + 1}`),
      from: outing.from,
      until: outing.until,
      workers: [],
      gear: vehiclesFor(outing, one),
      inside: [],
    },
    tasks: [
      ...outing.legs.map(({ job, task }) => inDay(job, task)),
      // What stays at a place was loaded and driven out with the others.
      ...(outing.only ? [inDay(outing.legs[0]?.job ?? '', DRIVES[one.trip].out)] : []),
      ...(outing.only && one.trip === 'set-up' ? [inDay(outing.legs[0]?.job ?? '', 'load-vehicle')] : []),
      ...outing.loads.map(({ file }) => inDay(file.job.id, 'load-vehicle')),
      ...outing.unloads.map(({ file }) => inDay(file.job.id, 'return-gear')),
    ],
  }));

/**
 * The vehicles chosen for the jobs of a trip, each by itself; else as few as seat so many besides those in other cars,
 * whichever of them are free that day, one at least for the load; all there are where they do not suffice, which *On time*
 * tells.
 */
function vehiclesFor({ legs, only, without }: Outing, { trip, jobs }: TripJobs): Record<string, number> {
  const files = jobs.map(({ file }) => file);
  const chosen = only ?? [...new Set(files.flatMap(chosenVehicles))].filter((id) => !without.includes(id));
  if (chosen.length > 0)
    return { vehicle: chosen.length, ...Object.fromEntries(chosen.map((id) => [ownVehicle(id), 1])) };
  const cars = new Map(
    files.flatMap((file) => carsOn(file, trip).map((car) => [car.id, car.seats] as const)),
  );
  const people = Math.max(1, mostOnBoard(legs) - sumOf([...cars.values()]));
  const seats = (files[0]?.workshop.vehicles ?? []).map((one) => one.seats).sort((a, b) => a - b);
  const seated = (count: number) => sumOf(seats.slice(0, count));
  const enough = seats.findIndex((_, i) => seated(i + 1) >= people);
  return { vehicle: enough < 0 ? seats.length : enough + 1 };
}
