import type { CrewMember, JobFile } from '@early-lantern/contract';
import { effort } from '../bench/rates.ts';
import { formatLength } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import { rainAtLoadIn, type Slowing, slowed } from './conditions.ts';
import { withHeavy } from './heavy.ts';
import { partOfRound } from './rounds.ts';
import { shared, simple, type Trip, threePoint, type Work, type WorkedPiece } from './work.ts';

/** A step costs about as much as a metre and a half on the level. From memory, an editable default. */
const STEP_AS_M = 1.5;
/** With a lift nobody climbs; waiting and filling it costs as much as so many metres. From memory. */
const LIFT_AS_M = 15;
/** A floor in it is as so many metres on foot: about four seconds. From memory. */
const FLOOR_AS_M = 5;
/** With a wagon or dolly half the trips are walked. Common practice, no source. */
const WITH_WAGON = 0.5;

/** A drive takes so much of what it usually takes, on a good day and in traffic. From memory, editable defaults. */
const DRIVE_QUICK = 0.9;

const DRIVE_SLOW = 1.6;

type Way = 'out' | 'home' | 'strike' | 'back';

const TRIP_OF: Record<Way, Trip> = { out: 'set-up', home: 'set-up', strike: 'strike', back: 'strike' };

/** One way between the workshop and the site, minutes: as typed for the hour of this job, else as surveyed. */
const driveMinutes = ({ site, job }: JobFile, which: Way): number => job.drives?.[which] ?? site.driveMin;

/** How long a drive takes as it is driven, and where that is from: in a round from place to place. */
function driven(file: JobFile, which: Way): { minutes: number; note: string; source: string } {
  const part = partOfRound(file, TRIP_OF[which]);
  if (!part)
    return {
      minutes: driveMinutes(file, which),
      note: 'one way',
      source:
        file.job.drives?.[which] === undefined ? "the site's survey" : 'typed, or asked for at that hour',
    };
  const { stops, homeMin } = part.round;
  const before = stops[part.at - 1];
  return onTheWay[which]
    ? {
        minutes: stops[part.at]?.driveMin ?? 0,
        note: before ? `from ${before.place}` : 'from the workshop',
        source: 'the round agreed for the day',
      }
    : { minutes: homeMin, note: 'home from the last place', source: 'the round agreed for the day' };
}

/** Where a drive goes, and from where where that is not the workshop. */
export function driveWords(file: JobFile, trip: Trip): string {
  const part = partOfRound(file, trip);
  const before = part?.round.stops[part.at - 1];
  return before ? `Drive on from ${before.place} to ${file.site.name}` : `Drive to ${file.site.name}`;
}

/** On the road, by way of the stops of that run. */
export function driveWork(
  file: JobFile,
  { id, label, which, trip }: { id: string; label: string; which: keyof typeof onTheWay; trip: Trip },
  crew: readonly CrewMember[],
  after: string[],
): Work {
  const stops = onTheWay[which] ? (file.job.stops ?? []).filter((stop) => stop.trip === trip) : [];
  const { minutes: straight, note, source } = driven(file, which);
  const minutes = stops.reduce((sum, stop) => sum + stop.driveMin + stop.minutes, straight);
  return {
    id,
    label: stops.length ? `${label}, by way of ${stops.map((stop) => stop.label).join(', ')}` : label,
    place: 'road',
    minutes: Math.max(1, minutes),
    spread: threePoint(Math.max(1, minutes), DRIVE_QUICK, DRIVE_SLOW),
    hands: crew.length,
    skills: ['driver'],
    gear: ['vehicle'],
    after,
    cautions: ['driving'],
    working: [
      working('Drive', note, [], { value: straight, unit: 'min' }, source),
      ...stops.map((stop) =>
        working(
          `Stop: ${stop.label}`,
          'more drive + there',
          [
            ['more drive', stop.driveMin, 'min'],
            ['there', stop.minutes, 'min'],
          ],
          { value: stop.driveMin + stop.minutes, unit: 'min' },
          'typed with the job',
        ),
      ),
    ],
    ...(onTheWay[which] ? { arrivesAfter: Math.max(1, minutes) } : {}),
  };
}

/** Whether a drive goes to the site. */
const onTheWay = { out: true, home: false, strike: true, back: false };

/** Finding the set-down, parking and signing in, where the survey says that it takes time. */
export function signInWork(file: JobFile, hands: number, after: string, id = 'sign-in'): Work[] {
  const minutes = file.site.loadIn.setDownMin ?? 0;
  if (minutes === 0) return [];
  return [
    {
      id,
      label: 'Park and sign in',
      place: 'site',
      minutes,
      spread: threePoint(minutes, DRIVE_QUICK, DRIVE_SLOW),
      hands,
      skills: [],
      gear: [],
      after: [after],
      cautions: [],
      working: [
        working(
          'Set-down, parking and signing in',
          'as surveyed',
          [],
          { value: minutes, unit: 'min' },
          "the site's survey",
        ),
      ],
    },
  ];
}

/** Of a full van, what is carried in first: cloths for the floor, tools, ladders. From memory, an editable default. */
const FIRST = 0.15;

/** Drop cloths, tools, fixings and ladders: the rest comes in over protected floors. */
export function unloadFirstWork(file: JobFile, hands: number, after: string): Work {
  const label = 'Unload what is needed first: drop cloths, tools, fixings, ladders';
  return carried(file, {
    id: 'unload-first',
    label,
    load: FIRST,
    hands,
    wagons: wagonsFor(file, hands),
    after,
  });
}

/** Whether the van comes back for a piece. */
const comesLater = ({ job }: JobFile, id: string) => job.secondLoad?.includes(id) ?? false;

/** Of a round what comes off last is loaded first. */
function loadWords(file: JobFile): string {
  const part = partOfRound(file, 'set-up');
  if (!part) return 'Load the vehicle';
  const { length } = part.round.stops;
  return `Load the vehicle for ${file.site.name}: load ${length - part.at} of ${length}`;
}

/** The vehicle loaded at the workshop with what goes with the first load. */
export function loadWork(
  file: JobFile,
  pieces: readonly WorkedPiece[],
  hands: number,
  after: string[],
): Work {
  const first = pieces.filter(({ piece }) => !comesLater(file, piece.id));
  const load = simple('load-vehicle', loadWords(file), 'workshop', file.workshop, { hands, after });
  const byHand = withHeavy(effort('load-vehicle', 1, file.workshop), first, 'load-heavy', file);
  return takingWagons({ ...load, ...shared(byHand, hands) }, file, hands);
}

/** What comes home is unloaded and counted. */
export function returnGearWork(
  file: JobFile,
  pieces: readonly WorkedPiece[],
  label: string,
  hands: number,
  after: string,
): Work {
  const gear = simple('return-gear', label, 'workshop', file.workshop, { hands, after: [after] });
  const byHand = withHeavy(effort('return-gear', 1, file.workshop), pieces, 'load-heavy', file);
  return { ...gear, ...shared(byHand, hands) };
}

/** The rest of a full van carried from the kerb to the spot. */
export function unloadWork(
  file: JobFile,
  pieces: readonly WorkedPiece[],
  hands: number,
  after: string,
): Work {
  const label = `Unload the rest, ${wayWords(file)} to the spot`;
  return carried(file, {
    id: 'unload',
    label,
    load: 1 - FIRST,
    heavy: pieces.filter(({ piece }) => !comesLater(file, piece.id)),
    hands,
    wagons: wagonsFor(file, hands),
    after,
  });
}

/** The second load, a full van too. */
function unloadAgainWork(file: JobFile, pieces: readonly WorkedPiece[], hands: number, after: string): Work {
  const label = `Unload the second load, ${wayWords(file)} to the spot`;
  return carried(file, {
    id: 'second-unload',
    label,
    load: 1,
    heavy: pieces.filter(({ piece }) => comesLater(file, piece.id)),
    hands,
    wagons: wagonsFor(file, hands),
    after,
  });
}

/** Of a full van, what goes back to it once all is up: ladders, tools, empty bags. From memory, an editable default. */
const OUT_AGAIN = 0.25;
/** The same when all is down: frames, stands, cloths; of the balloons only scraps. From memory, an editable default. */
const OUT_AFTER_STRIKE = 0.5;

/** Ladders, tools and empty bags go back to the vehicle before the guests come. */
export function loadOutWork(file: JobFile, hands: number, after: string): Work {
  const label = 'Load out: ladders, tools and empty bags to the vehicle';
  const wagons = wagonsFor(file, hands);
  return carried(file, { id: 'load-out', label, load: OUT_AGAIN, hands, wagons, after });
}

/** Everything that was taken down, to the vehicle. */
export function carryOutWork(
  file: JobFile,
  pieces: readonly WorkedPiece[],
  hands: number,
  after: string,
): Work {
  const label = `Carry everything out to the vehicle, ${wayWords(file)}`;
  const wagons = wagonsFor(file, hands);
  return carried(file, {
    id: 'carry-out',
    label,
    load: OUT_AFTER_STRIKE,
    heavy: pieces,
    hands,
    wagons,
    after,
  });
}

function wayWords({ site: { loadIn }, workshop }: JobFile): string {
  const { distanceM, steps, lift, floors } = loadIn;
  const by = lift
    ? ` and the lift${floors ? `, ${plural(floors, 'floor')}` : ''}`
    : steps
      ? ` and ${steps} steps`
      : '';
  return `${formatLength(distanceM, workshop.units)}${by}`;
}

/**
 * A lift as so many metres on foot: the wait and its floors, as often as it takes for all hands that carry to go up in
 * it, who wait for each other where it is small.
 */
function liftMetres({ floors = 0, liftLoads }: JobFile['site']['loadIn'], hands: number): number {
  const rides = liftLoads === undefined ? 1 : Math.max(1, hands / liftLoads);
  return (LIFT_AS_M + floors * FLOOR_AS_M) * rides;
}

interface Carrying {
  id: string;
  label: string;
  /** Of a full van. */
  load: number;
  /** Pieces whose heavy things are carried with it. */
  heavy?: readonly WorkedPiece[];
  hands: number;
  /** Wagons at most. */
  wagons: number;
  after: string;
}

/** Carried between kerb and spot, with as many wagons as were taken along. */
function carried(file: JobFile, { id, label, load, heavy = [], hands, wagons: most, after }: Carrying): Work {
  const { site, workshop } = file;
  const { distanceM, steps, lift } = site.loadIn;
  const metres = distanceM + (lift ? liftMetres(site.loadIn, hands) : steps * STEP_AS_M);
  // A van at the door still has to be emptied: never less than a third of the 100 ft figure.
  const share = Math.max(1 / 3, metres / 30.48);
  const byHand = withHeavy(effort('unload-30m', load * share, workshop), heavy, 'carry-heavy', file, share);
  const taken = (wagons: number) =>
    shared(
      slowed(byHand, [...(wagons > 0 ? [wagonsHelp(wagons, hands)] : []), ...rainAtLoadIn(file)]),
      hands,
    );
  return {
    id,
    label,
    place: 'site',
    ...taken(most),
    ...(most > 0
      ? {
          withWagons: fewerAndFewer(most).map((wagons) => {
            const { minutes, working } = taken(wagons);
            return { wagons, minutes, working };
          }),
        }
      : {}),
    hands,
    skills: [],
    gear: [],
    after: [after],
    cautions: [],
  };
}

/** What takes the same with any number of wagons, but decides how many are taken along. */
export function takingWagons(work: Work, file: JobFile, hands: number): Work {
  const most = wagonsFor(file, hands);
  const { minutes } = work;
  return most > 0
    ? {
        ...work,
        withWagons: fewerAndFewer(most).map((wagons) => ({ wagons, minutes, working: work.working })),
      }
    : work;
}

/** As many wagons as there are hands to pull them; none up steps. */
function wagonsFor({ site, workshop }: JobFile, hands: number): number {
  const { lift, steps } = site.loadIn;
  return lift || steps === 0 ? Math.min(hands, workshop.wagons ?? 0) : 0;
}

const fewerAndFewer = (most: number) => Array.from({ length: most + 1 }, (_, i) => most - i);

/** A wagon for each pair of hands halves the trips; where there are fewer, the rest walk. */
function wagonsHelp(wagons: number, hands: number): Slowing {
  const pulled = Math.min(1, wagons / Math.max(1, hands));
  const factor = 1 - pulled * (1 - WITH_WAGON);
  return {
    factor,
    working: working(
      'Wagons',
      `1 − share of hands with one · ${WITH_WAGON}`,
      [
        ['wagons', wagons],
        ['hands', hands],
      ],
      { value: factor, unit: '×' },
      `halves the trips: ${COMMON_PRACTICE}`,
    ),
  };
}

/** The van goes back for what it could not take, and is emptied again. */
export function secondLoadWork(
  file: JobFile,
  pieces: readonly WorkedPiece[],
  crew: readonly CrewMember[],
  hands: number,
  after: string,
): Work[] {
  if (!file.job.secondLoad?.length) return [];
  const [home, out] = [driveMinutes(file, 'home'), driveMinutes(file, 'out')];
  const later = pieces.filter(({ piece }) => comesLater(file, piece.id));
  const load = shared(withHeavy(effort('load-vehicle', 1, file.workshop), later, 'load-heavy', file), 1);
  const minutes = home + load.minutes + out;
  const again: Work = {
    id: 'second-run',
    label: 'Back to the workshop for the second load',
    place: 'road',
    minutes: Math.max(1, minutes),
    spread: threePoint(Math.max(1, minutes), DRIVE_QUICK, DRIVE_SLOW),
    hands: 1,
    skills: crew.some(({ skills }) => skills.includes('driver')) ? ['driver'] : [],
    gear: [],
    after: [after],
    cautions: ['driving'],
    working: [
      working(
        'The second load',
        'home + load + out',
        [
          ['home', home, 'min'],
          ['load', load.minutes, 'min'],
          ['out', out, 'min'],
        ],
        { value: minutes, unit: 'min' },
        "the site's survey; loading by the workshop's rate",
      ),
    ],
  };
  return [again, unloadAgainWork(file, pieces, hands, again.id)];
}
