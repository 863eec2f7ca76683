import { z } from 'zod';
import { PersonId } from './ids.ts';
import { repeated, withRule } from './rules.ts';
import { Id, LengthM, Name } from './scalars.ts';

/** Ways to fix something to a place. What each does on which surface is data of the planning engine. */
export const MethodId = z.enum([
  'tie',
  'nail',
  'clamp',
  'magnetic-hook',
  'adhesive-hook',
  'suction-hook',
  'brick-clip',
  'pin',
  'mesh-tie',
  // On parts of other pieces.
  'bar-clamp',
  'over-bar',
  'zip-tie',
  'dash',
  'pole-twist',
  'nozzle-tie',
  'foot-peg',
]);
export type MethodId = z.infer<typeof MethodId>;

/** Bases that poles and pipes stand on. */
export const BaseId = z.enum([
  'lamp-base',
  'small-plate',
  'plate-2ft',
  'drape-base',
  'tamper',
  'wood-block',
  'clamps',
]);
export type BaseId = z.infer<typeof BaseId>;

/** What a heavy thing is: foil conducts, so it is told apart. */
export const LoadKind = z.enum(['floral', 'foil', 'plush', 'sign', 'pick', 'light', 'cut-out', 'other']);
export type LoadKind = z.infer<typeof LoadKind>;

/** A heavy thing of the business's own, besides those of the catalogue. */
export const OwnLoad = z.strictObject({
  id: Id,
  name: Name,
  what: LoadKind,
  massKg: z.number().min(0).max(50),
});
export type OwnLoad = z.infer<typeof OwnLoad>;

/** A point chosen by hand: it stays where it is and is checked; the engine proposes the others. */
export const LockedPoint = z.strictObject({
  id: Id,
  /** How far along the line, from its first point to its last. */
  at: z.number().min(0).max(1),
  /** Left out, the best that the place allows. */
  method: MethodId.optional(),
});
export type LockedPoint = z.infer<typeof LockedPoint>;

const HoldFields = z.strictObject({
  base: BaseId.optional(),
  /** Put on each base; left out, what the engine finds is needed. */
  ballastKg: z.number().min(0).max(500).optional(),
  /** Lines to stakes or fixed points, half forward, half back; left out, none. */
  tieLines: z.int().min(0).max(12).optional(),
  /** Where an arch's lines are tied: at the crown where left out, or at 0.4 and 0.6 of the arc. */
  tiedAt: z.enum(['crown', 'shoulders']).optional(),
  points: z.array(LockedPoint).max(80).optional(),
});

/** How a piece is carried and fixed, where somebody has chosen it. */
export const Hold = withRule(HoldFields, HoldFields.pick({ points: true }), ({ points = [] }) =>
  repeated(
    points.map((one) => one.id),
    'points',
    'id',
  ),
);
export type Hold = z.infer<typeof Hold>;

/** A ladder: how high one may stand on it, and the person with load it is rated for. */
export const Ladder = z.strictObject({
  id: Id,
  name: Name,
  kind: z.enum(['step', 'straight']),
  /** Highest step one may stand on. */
  standM: LengthM.max(10),
  dutyKg: z.number().min(50).max(300),
});
export type Ladder = z.infer<typeof Ladder>;

/** A rolling tower or a lift hired for a job: it has to get in, and the floor has to bear it. */
export const Platform = z.strictObject({
  id: Id,
  name: Name,
  kind: z.enum(['tower', 'lift']),
  /** Height of its platform at most. */
  standM: LengthM.max(15),
  dutyKg: z.number().min(50).max(1000),
  widthM: LengthM.max(5),
  massKg: z.number().min(10).max(20_000),
  /** Who drives it, trained or licensed. */
  driver: PersonId.optional(),
  /** For the job, in the workshop's money. */
  price: z.number().min(0).max(100_000).optional(),
});
export type Platform = z.infer<typeof Platform>;

/** A class of hooks or clamps that the business has: of one method several, each with its own rating. */
export const Hook = z.strictObject({
  id: Id,
  name: Name,
  method: MethodId,
  /** Rated static load, N. */
  ratingN: z.number().min(0).max(5000),
});
export type Hook = z.infer<typeof Hook>;

/** Weights for bases, so many alike. */
export const Weight = z.strictObject({
  id: Id,
  name: Name,
  massKg: z.number().min(0.1).max(200),
  count: z.int().min(0).max(1000),
});
export type Weight = z.infer<typeof Weight>;

/** What the business asks of whatever it puts up; the engine's defaults stand for the rest. */
export const HoldRules = z.strictObject({
  /** Rated static load over the load of a hook. */
  hookFactor: z.number().min(1).max(10),
  /** Righting over overturning moment. */
  indoorFactor: z.number().min(1).max(10),
  outdoorFactor: z.number().min(1).max(10),
  /** Somebody bumps into it: force and its height. */
  bumpN: z.number().min(0).max(1000),
  bumpHeightM: z.number().min(0.1).max(2.5),
  /** A person on a ladder, tools and all. */
  personKg: z.number().min(40).max(200),
  /** How many times as stiff as its bare pipe an arch packed with balloons is taken. */
  packedStiffness: z.number().min(1).max(10),
  /** Outdoors, before anybody has looked at a forecast, m/s. */
  assumedGustMs: z.number().min(3).max(30),
});
export type HoldRules = z.infer<typeof HoldRules>;
