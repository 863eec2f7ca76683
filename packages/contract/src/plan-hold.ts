import { z } from 'zod';
import { BaseId, MethodId } from './hold.ts';
import { PersonId, PieceId } from './ids.ts';
import { On } from './piece/carried.ts';
import { Id } from './scalars.ts';
import { Surface } from './site.ts';
import { Working } from './working.ts';

/** One way in which a piece could come down, and what stands against it. */
export const HoldCase = z.strictObject({
  label: z.string(),
  /** What resists, and what pushes whatever the wind: moments in N·m or forces in N. */
  resists: z.number(),
  pushes: z.number(),
  /** What the wind adds for each pascal of dynamic pressure. */
  perPa: z.number(),
  /** What pushes where it does not grow evenly with the wind: at these pressures, Pa, rising; beyond the last without bound. */
  curve: z.array(z.strictObject({ pa: z.number(), pushes: z.number() })).optional(),
  unit: z.enum(['N·m', 'N', 'N/m', 'm', '%']),
  required: z.number(),
});
export type HoldCase = z.infer<typeof HoldCase>;

export const HoldPoint = z.strictObject({
  id: z.string(),
  spotXYM: z.strictObject({ xM: z.number(), yM: z.number() }),
  /** How far along the line, 0 to 1. */
  at: z.number(),
  section: z.int(),
  method: MethodId,
  /** Which of the business's classes of it, where it has several or any. */
  hook: z.strictObject({ id: Id, name: z.string() }).optional(),
  surface: Surface,
  /** What it is fixed to, where that was surveyed. */
  fixing: z.string().optional(),
  /** The part of another piece it is on, in place of the spot. */
  on: On.optional(),
  loadN: z.number(),
  /** Of the load, what each pascal of wind adds sideways. */
  windNPerPa: z.number(),
  ratingN: z.number(),
  factor: z.number(),
  isLocked: z.boolean(),
  /** Why it may not be, if so. */
  trouble: z.string().optional(),
  ladder: z
    .strictObject({
      id: Id,
      name: z.string(),
      standM: z.number(),
      who: z.array(PersonId),
      needsSecond: z.boolean(),
    })
    .optional(),
});
export type HoldPoint = z.infer<typeof HoldPoint>;

/** A line from the top of a piece to a stake or fixed point. */
export const TieLine = z.strictObject({
  /** The way it pulls. */
  towards: z.enum(['front', 'back']),
  fromXYM: z.strictObject({ xM: z.number(), yM: z.number() }),
  /** Where its stake stands along the spot; before or behind it by `reachM`. */
  toXM: z.number(),
  /** From below its upper end to the stake, forward or back. */
  reachM: z.number(),
  /** How far from the wall its upper end and its stake are; less than 0 behind it. */
  fromOutM: z.number(),
  toOutM: z.number(),
  tensionN: z.number(),
  anchor: z.string(),
});
export type TieLine = z.infer<typeof TieLine>;

/** What a piece takes up as it is seen from above, a rectangle. */
export const GroundArea = z.strictObject({
  what: z.enum(['body', 'base']),
  /** Its left side along the spot, and its near side from the wall. */
  xM: z.number(),
  outM: z.number(),
  widthM: z.number(),
  depthM: z.number(),
  /** Its lowest point above the floor: people walk under what is high enough. */
  fromM: z.number(),
});
export type GroundArea = z.infer<typeof GroundArea>;

/** What carries a piece and how well. */
export const HoldPiece = z.strictObject({
  id: Id,
  name: z.string(),
  /** What stands or hangs: "pipe arch between two bases". */
  carrier: z.string(),
  massKg: z.number(),
  isOutdoors: z.boolean(),
  /** Questions of the survey that what carries it depends on: while any is open nothing told of it is to be relied on. */
  unasked: z.array(z.enum(['fixings', 'floor', 'forbids'])),
  /** The least of factor over required factor decides; this is the factor of that case. */
  safetyFactor: z.number().nullable(),
  required: z.number().nullable(),
  governing: z.string(),
  /** At the limit; watch, lower and take down before it. Null where no wind matters. */
  limitGustMs: z.number().nullable(),
  takeDownGustMs: z.number().nullable(),
  lowerGustMs: z.number().nullable(),
  watchGustMs: z.number().nullable(),
  /** What it stands on, where it stands on bases. */
  base: BaseId.optional(),
  ballastKg: z.array(z.number()),
  /** What the business owns that makes up each base's ballast. */
  weights: z.array(z.strictObject({ id: Id, name: z.string(), count: z.int() })),
  tieLines: z.array(TieLine),
  /** From above: itself, then each of its bases. */
  ground: z.array(GroundArea),
  cases: z.array(HoldCase),
  points: z.array(HoldPoint),
  /** The point that would let go first, and what follows. */
  weakest: z.strictObject({ pointId: z.string(), follows: z.string() }).optional(),
  /** What fails outright, in sentences. */
  troubles: z.array(z.string()),
  /** What holds now but would not if one thing went wrong. */
  risks: z.array(z.string()),
  notes: z.array(z.string()),
  working: z.array(Working),
});
export type HoldPiece = z.infer<typeof HoldPiece>;

export const Holds = z.strictObject({
  /** The gust everything is checked at, and where it comes from. */
  gustMs: z.number(),
  gustSource: z.string(),
  /** Outdoors only a typed gust or a real forecast is more than a guess. */
  gustBasis: z.enum(['indoors', 'typed', 'forecast', 'simulated', 'assumed']),
  /** Whether any piece stands or hangs outdoors. */
  isOutdoors: z.boolean(),
  pieces: z.array(HoldPiece),
});
export type Holds = z.infer<typeof Holds>;

/** One stock length and what is cut from it. */
export const CutBar = z.strictObject({
  /** The pipe, by its item in the materials' catalogue. */
  stock: Id,
  stockM: z.number(),
  /** Lies in the workshop already: not a length to buy. */
  isOwned: z.boolean(),
  cuts: z.array(
    z.strictObject({
      pieceId: PieceId,
      label: z.string(),
      lengthM: z.number(),
      /** The other job of the day that takes it. */
      job: z.string().optional(),
    }),
  ),
  wasteM: z.number(),
});
export type CutBar = z.infer<typeof CutBar>;

export const Caution = z.strictObject({
  code: z.string(),
  text: z.string(),
  /** Where it applies: the job, pieces by id, tasks by id. */
  where: z.array(z.string()),
  source: z.string(),
  /** Who must decide. */
  defersTo: z.string(),
});
export type Caution = z.infer<typeof Caution>;
