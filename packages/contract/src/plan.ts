import { z } from 'zod';
import { ColourId, PersonId, PieceId } from './ids.ts';
import { LampState } from './lamp-state.ts';
import { Fits, PackingRow } from './load.ts';
import { On } from './piece/carried.ts';
import { InflatedRange, StandIn } from './piece/common.ts';
import { PipeId } from './pipe.ts';
import { Full } from './plan-full.ts';
import { Caution, CutBar, Holds } from './plan-hold.ts';
import { LastingLot } from './plan-lasts.ts';
import { DiameterIn, Id, Instant } from './scalars.ts';
import { Day } from './stock.ts';
import { Working } from './working.ts';

/** A change to the job file that the engine has tried: set `value` at JSON pointer `path`. */
export const Change = z.strictObject({ path: z.string(), value: z.json() });
export type Change = z.infer<typeof Change>;

export const Fix = z.strictObject({
  label: z.string(),
  gain: z.string(),
  changes: z.array(Change),
  /** It is not done in the job: the view where it is done. */
  opens: z.literal('buy').optional(),
  /** After this day it is too late for it. */
  byDay: Day.optional(),
});
export type Fix = z.infer<typeof Fix>;

export const LampName = z.enum(['enough', 'lasts', 'fits', 'holds', 'full', 'onTime']);
export type LampName = z.infer<typeof LampName>;

export const Lamp = z.strictObject({
  state: LampState,
  /** The answer in a few words. */
  figure: z.string(),
  /** One sentence: what is wrong, what is missing, or that it is well. */
  reason: z.string(),
  working: z.array(Working),
  fixes: z.array(Fix),
});
export type Lamp = z.infer<typeof Lamp>;

/** Balloons of one size, blown alike, in one colour. `spare` comes on top of `need`. */
export const BalloonRow = z.strictObject({
  nominalIn: DiameterIn,
  inflatedIn: InflatedRange,
  /** What to blow to in the workshop, so that they are as designed where they hang. */
  blowToIn: InflatedRange.optional(),
  colour: ColourId,
  need: z.int().nonnegative(),
  spare: z.int().nonnegative(),
  /** How many of `need` are kept from an earlier installation: neither taken off the shelf nor bought. */
  kept: z.int().nonnegative(),
});
export type BalloonRow = z.infer<typeof BalloonRow>;

/** A thing besides balloons that a piece takes, by the catalogue's item name. */
export const MaterialRow = z.strictObject({
  item: Id,
  label: z.string(),
  count: z.number().nonnegative(),
  unit: z.string(),
  /** Comes back from the strike and is used again. */
  isGear: z.boolean(),
  working: z.array(Working),
});
export type MaterialRow = z.infer<typeof MaterialRow>;

/** What one person inflates in one go: alike balloons for one part of a piece, pre-counted with their spares. */
export const Lot = z.strictObject({
  /** Piece by letter, lot by number: `B3`. */
  id: z.string(),
  nominalIn: DiameterIn,
  inflatedIn: InflatedRange,
  /** What to blow to in the workshop, so that they are as designed where they hang. */
  blowToIn: InflatedRange,
  colour: ColourId,
  count: z.int().nonnegative(),
  spare: z.int().nonnegative(),
  /** How many of `count` are kept from an earlier installation. */
  kept: z.int().nonnegative(),
  /** How many are blown: those to hang and not kept; the spares too where the house blows them. */
  blown: z.int().nonnegative(),
  /** What it is tied into: `quads`, `trios`, `singles`. */
  cluster: z.string(),
  /** How many of `count` go into each section's bag; they add up to `count`. */
  perSection: z.array(z.int().nonnegative()),
  /** Holes of the sizing template: one for balloons blown alike, two for a range. */
  holesIn: z.array(z.number()),
  /** One bag a section. */
  bags: z.array(z.string()),
});
export type Lot = z.infer<typeof Lot>;

/** A way to a balloon that does not exist in its colour and size. */
export const Alternative = z.strictObject({
  label: z.string(),
  standIn: StandIn,
  /** Balloons taken in place of those missing, and minutes of work more (or, below zero, fewer). */
  balloons: z.int(),
  minutes: z.number(),
  note: z.string(),
  rows: z.array(z.strictObject({ nominalIn: DiameterIn, colour: ColourId, count: z.int() })),
});
export type Alternative = z.infer<typeof Alternative>;

/** A size that a colour is not made in. */
export const Unmade = z.strictObject({
  nominalIn: DiameterIn,
  colour: ColourId,
  count: z.int(),
  alternatives: z.array(Alternative),
});
export type Unmade = z.infer<typeof Unmade>;

export const PlanPiece = z.strictObject({
  id: Id,
  kind: z.string(),
  name: z.string(),
  lengthM: z.number(),
  visibleWidthM: z.number(),
  /** How wide and high it is as a whole, of what nobody measures along a line: a column, a frame, a wall. */
  sizeM: z.strictObject({ widthM: z.number(), heightM: z.number() }).optional(),
  clusterSize: z.int(),
  clusters: z.int(),
  fillerClusters: z.int(),
  sections: z.int(),
  /** Person-minutes at the bench. */
  benchMin: z.number(),
  balloons: z.array(BalloonRow),
  group: z.string().optional(),
  /** What carries it, and what it is tied to besides; null where that is the spot itself. */
  on: On.nullable(),
  alsoOn: On.nullable(),
  /** Clusters, layers, bunches: so many of one make. */
  assemblies: z.array(z.strictObject({ name: z.string(), size: z.int(), count: z.int(), part: z.string() })),
  lots: z.array(Lot),
  materials: z.array(MaterialRow),
  unmade: z.array(Unmade),
  /** How it is put together, step by step. */
  steps: z.array(z.string()),
  notes: z.array(z.string()),
  working: z.array(Working),
});
export type PlanPiece = z.infer<typeof PlanPiece>;

/** Why a task stands where it does: what comes after or before it, whose or what's time, a window; `free` if nothing. */
export const Why = z.strictObject({
  kind: z.enum(['before', 'after', 'person', 'gear', 'deadline', 'access', 'shift', 'pin', 'free']),
  /** The task, person or piece of gear; `doors` or `access` for a window. */
  ref: z.string(),
  /** The task that the person or gear is wanted for. */
  task: z.string().optional(),
});
export type Why = z.infer<typeof Why>;

/** Stages of putting a piece up, in their order. */
export const Stage = z.enum([
  'frame',
  'tie',
  'on-pole',
  'hang',
  'join',
  'roof',
  'dress',
  'accent',
  'stem',
  'fill',
  'sign',
  'finish',
]);
export type Stage = z.infer<typeof Stage>;

export const Task = z.strictObject({
  id: z.string(),
  label: z.string(),
  place: z.enum(['workshop', 'road', 'site']),
  start: Instant,
  end: Instant,
  crew: z.array(PersonId),
  gear: z.array(Id),
  pieceId: PieceId.optional(),
  /** Its step of that piece, by an id that stays the same whatever else is edited. */
  step: z.string().optional(),
  /** Its stage in putting the piece up. */
  stage: Stage.optional(),
  /** What it blows: so many of a nominal size, for the base or as fillers. */
  blows: z.strictObject({ nominalIn: DiameterIn, count: z.int(), isFiller: z.boolean() }).optional(),
  after: z.array(z.string()),
  /** Minutes to let pass after a task it waits for, by that one's id; left out where it may follow at once. */
  waits: z.record(z.string(), z.int().positive()).optional(),
  /** The run it belongs to; left out for what is done in the workshop beforehand. */
  trip: z.enum(['set-up', 'strike']).optional(),
  /** Nothing stands or falls by it: it may be left out of this job. */
  mayBeLeftOut: z.boolean().optional(),
  /** When all goes well, as usual, and when it does not, with the hands it has. */
  quickS: z.number(),
  usualS: z.number(),
  slowS: z.number(),
  why: Why,
  /** What may hurt here: codes of the plan's cautions. */
  cautions: z.array(z.string()),
  working: z.array(Working),
});
export type Task = z.infer<typeof Task>;

/** One go at the bench: alike balloons of a piece, who blows them with what, and to what. */
export const BenchBatch = z.strictObject({
  /** The clock's task. */
  id: z.string(),
  pieceId: PieceId,
  label: z.string(),
  place: z.enum(['workshop', 'site']),
  start: Instant,
  end: Instant,
  crew: z.array(PersonId),
  gear: z.array(Id),
  nominalIn: DiameterIn,
  /** So that they are as designed where it is hottest on site: smallest and largest. */
  blowToIn: InflatedRange,
  /** The lots it blows, or its part of them: name, colour, how many. */
  lots: z.array(z.strictObject({ id: z.string(), colour: ColourId, count: z.int() })),
});
export type BenchBatch = z.infer<typeof BenchBatch>;

export const OnTime = z.strictObject({
  doors: Instant,
  /** Sign-off; null while there is nothing to build or no plan meets the shifts. */
  ready: Instant.nullable(),
  /** Everything that does not stay is out of the house; sign-off where nothing is carried out. */
  out: Instant.nullable(),
  /** From sign-off to doors, or from the way out to the close of access, whichever is tighter. */
  minutesInHand: z.int().nullable(),
  /** When the inflating starts. */
  benchFrom: Instant.nullable(),
  /** When the crew leaves the workshop, or the place before on a round. */
  leaveAt: Instant.nullable(),
  /** That place; null for the workshop. */
  leaveFrom: z.string().nullable(),
  /** When each vehicle must leave the workshop. */
  leaveBy: z.array(z.strictObject({ vehicle: Id, at: Instant })),
  /** Of rehearsed days, the share signed off by doors; the task that decided most often. Null until rehearsed. */
  chance: z.number().nullable(),
  bottleneck: z.string().nullable(),
  /** No plan with these people and windows leaves more minutes in hand than this; null until worked out. */
  bound: z.int().nullable(),
  /** Why the plan agreed for the day, or a pin, is not kept; null where all is. */
  broken: z.string().nullable(),
});
export type OnTime = z.infer<typeof OnTime>;

/** The day gone through many times with everything that varies: how it comes out. */
export const Rehearsal = z.strictObject({
  runs: z.int(),
  /** Share of them signed off by doors and out of the house before access closes, 0 to 1. */
  chance: z.number(),
  /** Sign-off in the tenth, the middle and the ninetieth of a hundred. */
  p10: Instant,
  p50: Instant,
  p90: Instant,
  /** How the time to spare is spread: runs in each span of minutes (below zero: late). */
  spread: z.array(z.strictObject({ fromMin: z.int(), runs: z.int() })),
  /** What decided when it was done: share of the runs in which nothing else would have helped. */
  byTask: z.array(z.strictObject({ id: z.string(), share: z.number() })),
  /** Who or what was waited for on the way to it, share of the runs. */
  byResource: z.array(z.strictObject({ id: z.string(), share: z.number() })),
  /** What went wrong how often, and by how much it put sign-off back on average. */
  mishaps: z.array(z.strictObject({ id: z.string(), label: z.string(), runs: z.int(), minutes: z.number() })),
  /** Minutes that everything would have to be done earlier for the wanted certainty; 0 where it is reached. */
  earlierMin: z.number(),
  wantedPct: z.number(),
});
export type Rehearsal = z.infer<typeof Rehearsal>;

export const Plan = z.strictObject({
  jobId: Id,
  timeZone: z.string(),
  pieces: z.array(PlanPiece),
  totals: z.strictObject({
    balloons: z.array(BalloonRow),
    materials: z.array(MaterialRow),
    working: z.array(Working),
  }),
  tasks: z.array(Task),
  /** Batches, and the floor that finished sections lie on until they are loaded. */
  bench: z.strictObject({ batches: z.array(BenchBatch), floorM2: z.number() }),
  onTime: OnTime,
  /** Not made while a line is dragged, nor where there is no plan. */
  rehearsal: Rehearsal.nullable(),
  lasts: z.strictObject({ lots: z.array(LastingLot) }),
  holds: Holds,
  fits: Fits,
  full: Full,
  packing: z.array(PackingRow),
  cutList: z.array(CutBar),
  /** For each pipe: stock lengths to buy and saw cuts, and the fewest there could be of either. */
  cutBounds: z.array(
    z.strictObject({
      stock: Id,
      lengths: z.int(),
      atLeast: z.int(),
      saws: z.int(),
      sawsAtLeast: z.int(),
    }),
  ),
  /** What joins the pipes of this job. */
  joints: z.array(
    z.strictObject({
      item: Id,
      label: z.string(),
      pipe: PipeId,
      count: z.int(),
      /** What is pushed into it, and how it sits: free play on each side, below zero where it does not go. */
      fits: z.array(
        z.strictObject({
          what: z.string(),
          odM: z.number(),
          clearanceMm: z.number(),
          verdict: z.enum(['does not go', 'slides', 'loose: tape or shim', 'no joint']),
        }),
      ),
    }),
  ),
  cautions: z.array(Caution),
  lamps: z.strictObject({ enough: Lamp, lasts: Lamp, fits: Lamp, holds: Lamp, full: Lamp, onTime: Lamp }),
});
export type Plan = z.infer<typeof Plan>;
