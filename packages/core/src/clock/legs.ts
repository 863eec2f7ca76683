import type { Round, RoundStop } from '@early-lantern/contract';
import type { Trip } from './work.ts';

/** The drives of a trip at each job's place, and the last things done there before somebody drives on. */
export const DRIVES: Record<
  Trip,
  {
    out: string;
    off: string;
    fetch: string;
    home: string;
    dropped: readonly string[];
    done: string;
    last: string;
  }
> = {
  'set-up': {
    out: 'drive-out',
    off: 'drive-off',
    fetch: 'drive-fetch',
    home: 'drive-home',
    dropped: ['unload'],
    done: 'sign-off',
    last: 'load-out',
  },
  strike: {
    out: 'drive-strike',
    off: 'strike-drive-off',
    fetch: 'strike-drive-fetch',
    home: 'drive-back',
    dropped: ['strike-sign-in', 'drive-strike'],
    done: 'strike',
    last: 'carry-out',
  },
};

/** One drive of a round. */
export interface Leg {
  /** The task it is, of which job. */
  task: string;
  job: string;
  minutes: number;
  riders: readonly string[];
  /** Number of the place that it goes to, or that it leaves for home. */
  stop: number;
  isHome: boolean;
  /** Drives between two times at the workshop are one outing; those who go home in vehicles that stayed with them have their own. */
  outing: number;
}

/** Who rides to a place of a round. */
const ridersTo = ({ people }: Pick<Round, 'people'>, { riders }: RoundStop): readonly string[] =>
  riders ?? people;

/** Who drives on from a place: on to the next, home before it, or home in the end. */
function ridersFrom(round: Round, at: number): readonly string[] {
  const next = round.stops[at + 1];
  if (!next) return round.homeRiders ?? round.people;
  return next.byHome?.riders ?? ridersTo(round, next);
}

/** Those who stay at a place of a round to work there when the vehicle drives on; nobody where all wait for the work. */
export function dropped(round: Round, at: number): string[] {
  const stop = round.stops[at];
  if (stop?.does !== 'drop') return [];
  const on = new Set(ridersFrom(round, at));
  return ridersTo(round, stop).filter((id) => !on.has(id));
}

/** All drives of a round in turn; last those home in vehicles that stayed at a place. */
export function legsOf(round: Round): Leg[] {
  const { trip, stops, homeMin } = round;
  const names = DRIVES[trip];
  let outing = 0;
  const home = (at: number, minutes: number, riders: readonly string[]): Leg => ({
    task: stops[at]?.does === 'drop' ? names.off : names.home,
    job: stops[at]?.job ?? '',
    minutes,
    riders,
    stop: at,
    isHome: true,
    outing: outing++,
  });
  const driven = stops.flatMap((stop, at): Leg[] => [
    ...(stop.byHome && at > 0 ? [home(at - 1, stop.byHome.driveMin, stop.byHome.riders)] : []),
    {
      task: stop.does === 'fetch' ? names.fetch : names.out,
      job: stop.job,
      minutes: stop.driveMin,
      riders: ridersTo(round, stop),
      stop: at,
      isHome: false,
      outing,
    },
  ]);
  const last = home(stops.length - 1, homeMin, ridersFrom(round, stops.length - 1));
  const apart = stops.flatMap((stop, at): Leg[] =>
    stop.keeps
      ? [
          {
            task: names.home,
            job: stop.job,
            minutes: stop.driveMin,
            riders: dropped(round, at),
            stop: at,
            isHome: true,
            outing: outing++,
          },
        ]
      : [],
  );
  return [...driven, last, ...apart];
}

/** As many as ride at once on any drive. */
export const mostOnBoard = (legs: readonly Leg[]): number =>
  Math.max(0, ...legs.map(({ riders }) => riders.length));

/** The place that is driven on from to one of a round; undefined where that is the workshop. */
export const placeBefore = ({ stops }: Round, at: number): string | undefined =>
  stops[at]?.byHome ? undefined : stops[at - 1]?.place;

/** Places of a round that things are loaded for, in its order. */
export const placesLoaded = ({ stops }: Round): RoundStop[] => stops.filter(({ does }) => does !== 'fetch');
