import type { CrewMember, JobFile, Working } from '@early-lantern/contract';
import { type Effort, effort, together } from '../bench/rates.ts';
import { formatLength } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import { type Armfuls, both, type Loads, loadsOf } from './armfuls.ts';
import { rainAtLoadIn, type Slowing, slowed } from './conditions.ts';
import { driveMinutes } from './drive-minutes.ts';
import { placesLoaded } from './legs.ts';
import { partOfRound } from './rounds.ts';
import { DRIVE_QUICK, DRIVE_SLOW } from './travel-work.ts';
import { shared, simple, threePoint, type Work, type WorkedPiece } from './work.ts';

/** A step costs about as much as a metre and a half on the level. From memory, an editable default. */
const STEP_AS_M = 1.5;
/** With a lift nobody climbs; waiting and filling it costs as much as so many metres. From memory. */
const LIFT_AS_M = 15;
/** A floor in it is as so many metres on foot: about four seconds. From memory. */
const FLOOR_AS_M = 5;
/** With a wagon or dolly half the trips are walked. Common practice, no source. */
const WITH_WAGON = 0.5;
/** A full van of light things is so many armfuls: 18 minutes at 75 s each, both as usual over 100 ft and back. */
const FULL_VAN = 14.4;
/** So much of carrying something 100 ft is picking it up and setting it down: 25 s of 75. From memory. */
const HANDLING = 1 / 3;
/** Loading and counting take so much of a full van's time whatever is in it: doors, straps, lists. From memory. */
const WHATEVER = 1 / 3;
/** Carried over so much the rates are meant, m: 100 ft. */
const RATED_M = 30.48;

/** Of a round what comes off last is loaded first. */
function loadWords(file: JobFile): string {
  const part = partOfRound(file, 'set-up');
  const places = part ? placesLoaded(part.round).map(({ job }) => job) : [];
  if (places.length < 2) return 'Load the vehicle';
  const turn = places.length - places.indexOf(file.job.id);
  return `Load the vehicle for ${file.site.name}: load ${turn} of ${places.length}`;
}

/** The vehicle loaded at the workshop with what goes with the first load. */
export function loadWork(
  file: JobFile,
  pieces: readonly WorkedPiece[],
  hands: number,
  after: string[],
): Work {
  const { first, rest } = loadsOf(file, pieces);
  const load = simple('load-vehicle', loadWords(file), 'workshop', file.workshop, { hands, after });
  return takingWagons(
    { ...load, ...shared(atVehicle(file, 'load-vehicle', both(first, rest)), hands) },
    file,
    hands,
  );
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
  return { ...gear, ...shared(atVehicle(file, 'return-gear', loadsOf(file, pieces).strike), hands) };
}

/** Put into a vehicle, or out of it and counted: a part whatever is in it, the rest by what it is. */
function atVehicle({ workshop }: JobFile, rate: 'load-vehicle' | 'return-gear', load: Armfuls): Effort {
  const share = WHATEVER + ((1 - WHATEVER) * load.light) / FULL_VAN;
  return together([
    told(effort(rate, share, workshop), [
      ...armfulsTold(load),
      working(
        'Share of a full van',
        '1/3 + 2/3 · light / full van',
        [
          ['light', load.light, 'armfuls'],
          ['full van', FULL_VAN, 'armfuls'],
        ],
        { value: share, unit: '×' },
        'a third whatever is in it: from memory, an editable default',
      ),
    ]),
    ...(load.heavy > 0 ? [effort('load-heavy', load.heavy, workshop)] : []),
  ]);
}

/** What it comes to, before the minutes that it takes. */
const told = (work: Effort, before: readonly Working[]): Effort => ({
  ...work,
  working: [...before, ...work.working],
});

const armfulsTold = ({ light, heavy }: Armfuls): Working[] =>
  (
    [
      ['Bags, crates and cases', light],
      ['Heavy or stiff things', heavy],
    ] as const
  ).map(([label, armfuls]) =>
    working(
      label,
      'each by its weight, so much at a time, or by how many go into two hands',
      [],
      { value: armfuls, unit: 'armfuls' },
      'the things of the load; how many are carried at a time: from memory, editable defaults',
    ),
  );

/** A part of the load carried between kerb and spot. */
const carrying =
  (id: string, which: keyof Loads, label: (file: JobFile) => string) =>
  (file: JobFile, pieces: readonly WorkedPiece[], hands: number, after: string): Work =>
    carried(file, { id, label: label(file), load: loadsOf(file, pieces)[which], hands, after });

/** Drop cloths, tools, fixings and ladders: the rest comes in over protected floors. */
export const unloadFirstWork = carrying(
  'unload-first',
  'first',
  () => 'Unload what is needed first: drop cloths, tools, fixings, ladders',
);

/** The rest of the load carried from the kerb to the spot. */
export const unloadWork = carrying(
  'unload',
  'rest',
  (file) => `Unload the rest, ${wayWords(file)} to the spot`,
);

/** Ladders, tools and empty bags go back to the vehicle before the guests come. */
export const loadOutWork = carrying(
  'load-out',
  'out',
  () => 'Load out: ladders, tools and empty bags to the vehicle',
);

/** Everything that was taken down, to the vehicle. */
export const carryOutWork = carrying(
  'carry-out',
  'strike',
  (file) => `Carry everything out to the vehicle, ${wayWords(file)}`,
);

/** What the vehicle came back for. */
const unloadAgainWork = carrying(
  'second-unload',
  'second',
  (file) => `Unload the second load, ${wayWords(file)} to the spot`,
);

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
  load: Armfuls;
  hands: number;
  after: string;
}

/** Carried between kerb and spot, with as many wagons as were taken along. */
function carried(file: JobFile, { id, label, load, hands, after }: Carrying): Work {
  const { site, workshop } = file;
  const { distanceM, steps, lift } = site.loadIn;
  const metres = distanceM + (lift ? liftMetres(site.loadIn, hands) : steps * STEP_AS_M);
  const way = HANDLING + ((1 - HANDLING) * metres) / RATED_M;
  const share = load.light / FULL_VAN;
  const byHand = together([
    told(effort('unload-30m', share * way, workshop), [
      ...armfulsTold(load),
      working(
        'The way, of 100 ft on the level',
        '1/3 + 2/3 · metres / rated',
        [
          ['metres', metres, 'm'],
          ['rated', RATED_M, 'm'],
        ],
        { value: way, unit: '×' },
        "the site's survey, steps and lift as so many metres; a third is picking up and setting down: from memory",
      ),
      working(
        'Full vans carried 100 ft',
        'light / full van · way',
        [
          ['light', load.light, 'armfuls'],
          ['full van', FULL_VAN, 'armfuls'],
          ['way', way, '×'],
        ],
        { value: share * way, unit: '×' },
        'a full van is 18 minutes at 75 s an armful',
      ),
    ]),
    ...(load.heavy > 0 ? [effort('carry-heavy', load.heavy * way, workshop)] : []),
  ]);
  const most = wagonsFor(file, hands);
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
  const { second } = loadsOf(file, pieces);
  const load = shared(atVehicle(file, 'load-vehicle', second), 1);
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
      ...load.working,
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
