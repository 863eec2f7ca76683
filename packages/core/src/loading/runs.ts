import type { CargoKind, JobFile, Run, Task, VehicleLoad } from '@early-lantern/contract';
import { isWagon } from '../clock/gear-names.ts';
import { DRIVES, placeBefore, placesLoaded } from '../clock/legs.ts';
import { agreedRound, legOf, partOfRound } from '../clock/rounds.ts';
import type { Trip } from '../clock/work.ts';
import { type Ride, ridesOf } from './rooms.ts';

/** What a leg carries: everything that goes out, the second load, what comes home, or nothing of this job. */
type Carries = 'out' | 'second' | 'home' | 'nothing';

/** A run as the clock has it, before the load is known. */
export interface DrivenRun extends Omit<Run, 'legs'> {
  legs: (Omit<Run['legs'][number], 'carries'> & { carries: Carries })[];
}

/**
 * Who drives what where, as the clock has it: out and home to set up, and to the strike; of a round the drive to this job's
 * place, and home from it where it is the last. Where the crew is dropped off, whoever drives off and comes to fetch it.
 */
export function runsOf(file: JobFile, tasks: readonly Task[]): DrivenRun[] {
  const by = new Map(tasks.map((task) => [task.id, task]));
  return (['set-up', 'strike'] as const).flatMap((trip): DrivenRun[] => {
    const names = DRIVES[trip];
    const [there, off, fetch, home] = [names.out, names.off, names.fetch, names.home].map((id) => by.get(id));
    if (!there) return [];
    const again = trip === 'set-up' ? by.get('second-run') : undefined;
    const out = ridesFor(file, trip, there);
    const isDropped = legOf(file, trip, names.fetch) !== undefined;
    const runs = out.map((ride, r): DrivenRun => {
      const isBack = (task: Task | undefined) =>
        // Own cars are no gear of the clock: they wait for their people.
        task?.gear.includes(ride.id) || (task === home && !there.gear.includes(ride.id));
      return asRun(trip, ride, [
        leg(from(file, trip, there.id), file.site.name, there, 'out'),
        // One vehicle goes back for the second load: the first.
        ...(again && r === 0 ? [leg(file.site.name, file.site.name, again, 'second')] : []),
        ...(off && isBack(off) ? [leg(file.site.name, WORKSHOP, off, 'nothing')] : []),
        ...(home && !isDropped && isBack(home) ? [leg(file.site.name, WORKSHOP, home, 'home')] : []),
      ]);
    });
    const fetched = fetch
      ? ridesFor(file, trip, fetch).map((ride) =>
          asRun(trip, ride, [
            leg(from(file, trip, fetch.id), file.site.name, fetch, 'nothing'),
            ...(home ? [leg(file.site.name, WORKSHOP, home, 'home')] : []),
          ]),
        )
      : [];
    return [...runs, ...fetched];
  });
}

const ridesFor = (file: JobFile, trip: Trip, { crew, gear }: Task): Ride[] =>
  ridesOf(file, trip, { people: crew, vehicles: gear.filter((id) => !isWagon(id)) });

const asRun = (trip: Trip, { id, name, driver, riders }: Ride, legs: DrivenRun['legs']): DrivenRun => ({
  trip,
  vehicle: id,
  name,
  driver: driver as Run['driver'],
  riders: riders as Run['riders'],
  legs,
});

const leg = (
  from: string,
  to: string,
  { start, end }: Task,
  carries: Carries,
): DrivenRun['legs'][number] => ({ from, to, leave: start, arrive: end, carries });

/** Where a drive to a job's place comes from. */
function from(file: JobFile, trip: Trip, task: string): string {
  const part = partOfRound(file, trip);
  return (part && placeBefore(part.round, legOf(file, trip, task)?.stop ?? part.at)) ?? WORKSHOP;
}

const WORKSHOP = 'the workshop';

/** What hangs or is used up on site: it does not come home. */
const STAYS: ReadonlySet<CargoKind> = new Set(['section', 'bag', 'bouquet']);

/**
 * The runs with what each leg carries: out everything but what has come off at an earlier place of a round, for the strike
 * what is worked with, home all but balloons.
 */
export function withCargo(
  runs: readonly DrivenRun[],
  vehicles: readonly VehicleLoad[],
  file: JobFile,
): Run[] {
  const round = agreedRound(file, 'set-up');
  const places = round ? placesLoaded(round) : [];
  const own = places.findIndex(({ job }) => job === file.job.id);
  const before = new Set(places.slice(0, Math.max(0, own)).map(({ place }) => place));
  return runs.map((run) => {
    const inIt = (trip: number) =>
      // In its room, and on its roof.
      vehicles
        .filter(({ id, trip: its }) => id === run.vehicle && its === trip)
        .flatMap(({ items }) => items);
    const isHere = ({ place }: VehicleLoad['items'][number]) =>
      place === undefined || place === file.site.name;
    const kept = [...inIt(1), ...inIt(2)].filter((item) => !STAYS.has(item.kind) && isHere(item));
    const carried: Record<Carries, VehicleLoad['items']> = {
      out:
        run.trip === 'set-up'
          ? inIt(1).filter(({ place }) => place === undefined || !before.has(place))
          : kept.filter(({ kind }) => kind === 'kit' || kind === 'ladder'),
      second: inIt(2),
      home: kept,
      nothing: [],
    };
    return {
      ...run,
      legs: run.legs.map((one) => ({ ...one, carries: carried[one.carries].map(({ id }) => id) })),
    };
  });
}
