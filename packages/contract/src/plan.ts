import { z } from 'zod';
import { InflatedRange } from './piece.ts';
import { DiameterIn, Id, Instant } from './scalars.ts';

/** How a figure came about. */
export const Working = z.strictObject({
  label: z.string(),
  formula: z.string(),
  inputs: z.array(
    z.strictObject({ name: z.string(), value: z.union([z.number(), z.string()]), unit: z.string() }),
  ),
  value: z.union([z.number(), z.string()]),
  unit: z.string(),
  /** A published source, or how the trade knows it. */
  source: z.string(),
});
export type Working = z.infer<typeof Working>;

/** A change to the job file that the engine has tried: set `value` at JSON pointer `path`. */
export const Change = z.strictObject({ path: z.string(), value: z.json() });
export type Change = z.infer<typeof Change>;

export const Fix = z.strictObject({ label: z.string(), gain: z.string(), changes: z.array(Change) });
export type Fix = z.infer<typeof Fix>;

export const LampName = z.enum(['enough', 'lasts', 'fits', 'holds', 'full', 'onTime']);
export type LampName = z.infer<typeof LampName>;

export const LampState = z.enum(['lit', 'low', 'out', 'unlit']);
export type LampState = z.infer<typeof LampState>;

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
  colour: Id,
  need: z.int().nonnegative(),
  spare: z.int().nonnegative(),
});
export type BalloonRow = z.infer<typeof BalloonRow>;

export const PlanPiece = z.strictObject({
  id: Id,
  kind: z.string(),
  name: z.string(),
  lengthM: z.number(),
  visibleWidthM: z.number(),
  clusterSize: z.int(),
  clusters: z.int(),
  fillerTrios: z.int(),
  sections: z.int(),
  /** Person-minutes at the bench. */
  benchMin: z.number(),
  balloons: z.array(BalloonRow),
  notes: z.array(z.string()),
  working: z.array(Working),
});
export type PlanPiece = z.infer<typeof PlanPiece>;

export const Task = z.strictObject({
  id: z.string(),
  label: z.string(),
  place: z.enum(['workshop', 'road', 'site']),
  start: Instant,
  end: Instant,
  crew: z.array(Id),
  gear: z.array(Id),
  pieceId: Id.optional(),
  after: z.array(z.string()),
  /** What may hurt here, with who decides. */
  cautions: z.array(z.string()),
  working: z.array(Working),
});
export type Task = z.infer<typeof Task>;

export const OnTime = z.strictObject({
  doors: Instant,
  /** Sign-off; null while there is nothing to build or no plan meets the shifts. */
  ready: Instant.nullable(),
  minutesInHand: z.int().nullable(),
  /** When the inflating starts, and when the crew leaves the workshop. */
  benchFrom: Instant.nullable(),
  leaveAt: Instant.nullable(),
});
export type OnTime = z.infer<typeof OnTime>;

export const Plan = z.strictObject({
  jobId: Id,
  timeZone: z.string(),
  pieces: z.array(PlanPiece),
  totals: z.strictObject({ balloons: z.array(BalloonRow), working: z.array(Working) }),
  tasks: z.array(Task),
  onTime: OnTime,
  lamps: z.strictObject({ enough: Lamp, lasts: Lamp, fits: Lamp, holds: Lamp, full: Lamp, onTime: Lamp }),
});
export type Plan = z.infer<typeof Plan>;
