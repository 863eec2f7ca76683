import type { Stretch } from './calendar.ts';

/** A piece of work to be placed: whole minutes, so many hands at once. */
export interface Activity {
  id: string;
  minutes: number;
  hands: number;
  /** Skills that somebody among the hands must have. */
  skills: readonly string[];
  /** Kinds of counted gear it holds while it lasts, one of each. */
  gear: readonly string[];
  /** Activities that must be over before it starts, by id. */
  after: readonly string[];
  /** It may not start before, nor end after. */
  earliest?: number;
  latest?: number;
}

/** A person: one thing at a time, within their shifts. */
export interface Worker {
  id: string;
  skills: readonly string[];
  shifts: readonly Stretch[];
}

export interface Problem {
  activities: readonly Activity[];
  workers: readonly Worker[];
  /** Each piece of counted gear, by kind. */
  gear: Readonly<Record<string, readonly string[]>>;
}

export interface Placing {
  start: number;
  end: number;
  crew: string[];
  gear: string[];
}

export type Schedule =
  | { feasible: true; placings: ReadonlyMap<string, Placing> }
  /** The first activity that found no place, in the order tried last. */
  | { feasible: false; stuck: string };

/** Activities that wait for each one, by its id. @throws RangeError for one that waits for what is not there */
export function followersOf(activities: readonly Activity[]): Map<string, string[]> {
  const followers = new Map(activities.map((activity) => [activity.id, [] as string[]]));
  for (const activity of activities) {
    for (const before of activity.after) {
      const list = followers.get(before);
      if (!list) throw new RangeError(`"${activity.id}" comes after "${before}", which does not exist`);
      list.push(activity.id);
    }
  }
  return followers;
}
