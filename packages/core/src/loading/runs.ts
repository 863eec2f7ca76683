import type { CargoKind, JobFile, Run, Task, VehicleLoad } from '@early-lantern/contract';
import { isWagon } from '../clock/gear-names.ts';
import { partOfRound } from '../clock/rounds.ts';
import { ridesOf } from './rooms.ts';

/** The drives of a job: out and home, back for the second load, out to the strike and home. */
const LEGS = [
  { trip: 'set-up', out: 'drive-out', home: 'drive-home' },
  { trip: 'strike', out: 'drive-strike', home: 'drive-back' },
] as const;

/**
 * Who drives what where, as the clock has it: out and home to set up, and to the strike; of a round the drive to this job's
 * place, and home from it where it is the last.
 */
export function runsOf(file: JobFile, tasks: readonly Task[]): Run[] {
  const { site } = file;
  const by = new Map(tasks.map((task) => [task.id, task]));
  return LEGS.flatMap(({ trip, out, home }): Run[] => {
    const there = by.get(out);
    if (!there) return [];
    const back = by.get(home);
    const again = trip === 'set-up' ? by.get('second-run') : undefined;
    const part = partOfRound(file, trip);
    const from = part?.round.stops[part.at - 1]?.place ?? WORKSHOP;
    const rides = ridesOf(file, {
      people: there.crew,
      vehicles: there.gear.filter((id) => !isWagon(id)),
    });
    return rides.map((ride, r): Run => {
      const leg = (from: string, to: string, { start, end }: Task) => ({
        from,
        to,
        leave: start,
        arrive: end,
        carries: [],
      });
      return {
        trip,
        vehicle: ride.id,
        name: ride.name,
        driver: ride.driver as Run['driver'],
        riders: ride.riders as Run['riders'],
        legs: [
          leg(from, site.name, there),
          // One vehicle goes back for the second load: the first.
          ...(again && r === 0 ? [leg(site.name, site.name, again)] : []),
          ...(back ? [leg(site.name, WORKSHOP, back)] : []),
        ],
      };
    });
  });
}

const WORKSHOP = 'the workshop';

/** What hangs or is used up on site: it does not come home. */
const STAYS: ReadonlySet<CargoKind> = new Set(['section', 'bag', 'bouquet']);

/**
 * The runs with what each leg carries: out everything but what has come off at an earlier place of a round, for the strike
 * what is worked with, home all but balloons.
 */
export function withCargo(runs: readonly Run[], vehicles: readonly VehicleLoad[], file: JobFile): Run[] {
  const part = partOfRound(file, 'set-up');
  const before = new Set(part?.round.stops.slice(0, part.at).map(({ place }) => place));
  return runs.map((run) => {
    const own = (trip: number) =>
      // In its room, and on its roof.
      vehicles
        .filter(({ id, trip: its }) => id === run.vehicle && its === trip)
        .flatMap(({ items }) => items);
    const ids = (items: VehicleLoad['items']) => items.map(({ id }) => id);
    const isHere = ({ place }: VehicleLoad['items'][number]) =>
      place === undefined || place === file.site.name;
    const kept = [...own(1), ...own(2)].filter((item) => !STAYS.has(item.kind) && isHere(item));
    const out =
      run.trip === 'set-up'
        ? own(1).filter(({ place }) => place === undefined || !before.has(place))
        : kept.filter(({ kind }) => kind === 'kit' || kind === 'ladder');
    return {
      ...run,
      legs: run.legs.map((leg, i) => {
        if (i === 0) return { ...leg, carries: ids(out) };
        return { ...leg, carries: ids(leg.to === leg.from ? own(2) : kept) };
      }),
    };
  });
}
