/** Stretches of whole minutes, `[from, to)`, ascending. */
export type Interval = readonly [from: number, to: number];

/** One way of doing an activity: so many hands of the usual pace take so many whole minutes. */
export interface Mode {
  hands: number;
  minutes: number;
}

/** What an activity waits for: it starts at least `min` and at most `max` minutes after that one's end. */
export interface Lag {
  id: string;
  min?: number;
  max?: number;
}

/** A piece of work to be placed. */
export interface Activity {
  id: string;
  /** The usual way first. */
  modes: readonly [Mode, ...Mode[]];
  /** Its way is the way of this one, by number: what was taken along there decides how it is done here. */
  wayOf?: string;
  /** How long it takes depends on the pace of those who do it. */
  isPaced?: boolean;
  /** Skills that somebody among the hands must have. */
  skills: readonly string[];
  /** Who may do it; everybody where not said. */
  who?: readonly string[];
  /** Counted gear it takes while it lasts, by kind. */
  gear: Readonly<Record<string, number>>;
  after: readonly Lag[];
  /** It may not start before, nor end after. */
  earliest?: number;
  latest?: number;
  /** Nor may it start later than this. */
  startBy?: number;
  /** Its hours are agreed with whoever does it: no shift holds for it. */
  atAnyHour?: boolean;
}

/** A person: one thing at a time, within their shifts and never when they are busy elsewhere. */
export interface Worker {
  id: string;
  skills: readonly string[];
  /** Work done in a minute, of what the usual pace does; 1 where not said. */
  pace?: number;
  shifts: readonly Interval[];
  busy?: readonly Interval[];
}

/**
 * People and gear that are away together, from the start of one activity to the end of another: a crew with its van
 * on a site, stands from set-up until they are back. Meanwhile they serve only the activities `inside`.
 */
export interface Hold {
  id: string;
  /** Holds of one group have the same activities inside: people of a crew who leave or come back at other times. */
  group?: string;
  from: string;
  until: string;
  workers: readonly string[];
  gear: Readonly<Record<string, number>>;
  /** More gear, by the way in which `from` is done. */
  gearByWay?: readonly Readonly<Record<string, number>>[];
  inside: readonly string[];
}

/** After so many minutes at work, a rest of so many. */
export interface RestRule {
  afterMin: number;
  restMin: number;
}

/** Counted gear that is not there for a while. */
interface Absence {
  kind: string;
  count: number;
  from: number;
  until: number;
}

export interface Problem {
  activities: readonly Activity[];
  workers: readonly Worker[];
  /** How many there are of each kind of gear. */
  gear: Readonly<Record<string, number>>;
  holds?: readonly Hold[];
  absences?: readonly Absence[];
  rest?: RestRule;
}

/** Where an activity was placed, and with whom. */
export interface Placing {
  start: number;
  end: number;
  crew: string[];
  /** Which of its ways; the usual one where not said. */
  way?: number;
}

export type Placings = ReadonlyMap<string, Placing>;
