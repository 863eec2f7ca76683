import type { JobFile, RoundGood } from '@early-lantern/contract';
import { DRIVES } from '../clock/legs.ts';
import { partOfRound, ridersOn } from '../clock/rounds.ts';
import { ridesOf } from './rooms.ts';
import { asGood, together } from './together.ts';
import { TO_TRY, tripOf } from './trip.ts';

/** A job's place on a round with what rides there. */
export interface LoadedPlace {
  file: JobFile;
  goods: readonly RoundGood[];
}

/**
 * Whether the things of several places go into the vehicles together, those of the first place at the door: into the
 * vehicles chosen for any of the jobs, else into the workshop's first. Where nobody has measured their room it is taken to be enough:
 * *Fits* asks for it.
 */
export function goTogether(places: readonly [LoadedPlace, ...LoadedPlace[]]): boolean {
  const { workshop } = places[0].file;
  const chosen = new Set(places.flatMap(({ file }) => file.job.vehicles ?? []));
  const own = workshop.vehicles.map(({ id }) => id);
  const rides = ridesOf(places[0].file, 'set-up', {
    people: ridersOn(places[0].file, 'set-up', DRIVES['set-up'].out).map(({ id }) => id),
    vehicles: chosen.size > 0 ? own.filter((id) => chosen.has(id)) : own.slice(0, 1),
  }).filter(({ cargo }) => cargo);
  if (rides.length === 0) return true;
  const goods = (isSqueezed: boolean) =>
    together(
      places.map(({ file, goods: own }) => ({
        jobId: file.job.id,
        place: file.site.name,
        isDropped: isDroppedAt(file),
        goods: own.map((one) => asGood(one, isSqueezed)),
      })),
    );
  const trip = { trip: 1, goods: goods(false), squeezed: () => goods(true) };
  return tripOf(trip, rides, { tries: TO_TRY, seed: 1 }).unplaced.length === 0;
}

/** Whether people are dropped off at a job's place of a round. */
function isDroppedAt(file: JobFile): boolean {
  const part = partOfRound(file, 'set-up');
  return part?.round.stops[part.at]?.does === 'drop';
}
