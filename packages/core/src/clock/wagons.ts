import type { AgreedTask } from '@early-lantern/contract';
import type { Hold } from '../schedule/problem.ts';
import { type DayJob, inDay } from './day-job.ts';
import { isWagon } from './gear-names.ts';
import type { Trip, Work } from './work.ts';

/** Where it is decided how many wagons go along, and when they are home again. */
const TAKEN: Record<Trip, { at: string; until: string }> = {
  'set-up': { at: 'load-vehicle', until: 'drive-home' },
  strike: { at: 'drive-strike', until: 'return-gear' },
};

/** The task at which it was decided how many wagons this one has; undefined where none go along, or for that task. */
export function wagonsTakenAt({ id, trip, withWagons }: Work): string | undefined {
  const { at } = TAKEN[trip ?? 'set-up'];
  return withWagons && id !== at ? at : undefined;
}

/**
 * Wagons go with the run and come home with it: where two jobs are out at the same hour, each has those it took. How many
 * that are is decided when it sets out.
 */
export function wagonHolds({ file, work }: DayJob): Hold[] {
  const id = (task: string) => inDay(file.job.id, task);
  return (Object.keys(TAKEN) as Trip[]).flatMap((trip): Hold[] => {
    const { at, until } = TAKEN[trip];
    const ways = work.find((one) => one.id === at)?.withWagons;
    if (!ways) return [];
    const gearByWay = ways.map(({ wagons }) => ({ wagon: wagons }));
    return [
      {
        id: id(`${trip}-wagons`),
        from: id(at),
        until: id(until),
        workers: [],
        gear: {},
        gearByWay,
        inside: [],
      },
    ];
  });
}

/** The work with as many wagons as were agreed for the day. */
export function withAgreedWagons(work: readonly Work[], agreed: readonly AgreedTask[]): Work[] {
  return work.map((one) => {
    const at = wagonsTakenAt(one) ?? one.id;
    const gear = agreed.find(({ task }) => task === at)?.gear;
    const taken = gear?.filter(isWagon).length;
    const way = one.withWagons?.find(({ wagons }) => wagons === taken);
    return way ? { ...one, withWagons: [way] } : one;
  });
}
