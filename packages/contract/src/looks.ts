import { z } from 'zod';
import { LengthM } from './scalars.ts';

/** What the eye is not to find. */
export const LookLimits = z.strictObject({
  /** Gaps as wide as this and wider are closed, m. */
  gapM: LengthM.min(0.01).max(0.3),
  /** No longer stretch of string, pole or pipe is bare, m. */
  stringM: LengthM.min(0.005).max(0.5),
  /** A gap as wide or a bare stretch as long as this is seen by every guest, m. */
  wideM: LengthM.min(0.02).max(1),
  /** So far its middle may stray from the line that was drawn, m. */
  offM: LengthM.min(0.01).max(1),
  /** So narrow it may be at its narrowest, per cent of the width there. */
  narrowPct: z.number().min(10).max(100),
  /** So high the foot may end above the floor, m. */
  footM: LengthM.min(0.005).max(0.5),
  /** So far balloons reach out of a corner at least, over half of the width there, per cent. */
  cornerPct: z.number().min(10).max(150),
  /** Of the largest that are to face the front so many may hide, per cent. */
  hiddenPct: z.number().min(0).max(100),
  /** So deep a crevice may be before it is told, m. */
  creviceM: LengthM.min(0.03).max(1),
  /** Patches of one colour in which of so many dealings, per cent, none is as large. */
  clumpPct: z.number().min(50).max(100),
  /** Accents leave no longer stretch without one than so many times their distance if they were spread evenly. */
  apartTimes: z.number().min(1).max(20),
});
export type LookLimits = z.infer<typeof LookLimits>;

/** Kinds that may have limits of their own: those dressed organically. */
export const LookedKind = z.enum(['organic-garland', 'standing-garland', 'photo-frame', 'panel-wall']);
export type LookedKind = z.infer<typeof LookedKind>;
