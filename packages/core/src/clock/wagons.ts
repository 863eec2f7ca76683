import type { AgreedTask } from '@early-lantern/contract';
import type { Hold } from '../schedule/problem.ts';
import { type DayJob, inDay } from './day-job.ts';
import { isWagon } from './gear-names.ts';
import type { Work } from './work.ts';

/**
 * Wagons go with the load and come home with it: where two jobs are out at the same hour, each has those it took. How
 * many that are is decided when the vehicle is loaded.
 */
export function wagonHolds({ file, work }: DayJob): Hold[] {
  const ways = work.find(({ id }) => id === 'load-vehicle')?.withWagons;
  if (!ways) return [];
  const id = (task: string) => inDay(file.job.id, task);
  return [
    {
      id: id('wagons'),
      from: id('load-vehicle'),
      until: id('drive-home'),
      workers: [],
      gear: {},
      gearByWay: ways.map(({ wagons }) => ({ wagon: wagons })),
      inside: [],
    },
  ];
}

/** The work with as many wagons as were agreed for the day. */
export function withAgreedWagons(work: readonly Work[], agreed: readonly AgreedTask[]): Work[] {
  const gear = agreed.find(({ task }) => task === 'load-vehicle')?.gear;
  if (!gear) return [...work];
  const taken = gear.filter(isWagon).length;
  return work.map((one) => {
    const way = one.withWagons?.find(({ wagons }) => wagons === taken);
    return way ? { ...one, withWagons: [way] } : one;
  });
}
