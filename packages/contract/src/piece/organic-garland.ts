import { z } from 'zod';
import { LengthM } from '../scalars.ts';
import { made, mixFields, Point, Schools, withSoundShares } from './common.ts';

const GarlandFields = z.strictObject({
  kind: z.literal('organic-garland'),
  ...made,
  ...mixFields,
  /** The garland's line through the clusters' ties, from its thick end to its tip; smoothed. */
  line: z.array(Point).min(2).max(40),
  /** Mean width of the silhouette at the thick end. */
  widthM: LengthM.max(3),
  /** Hangs free, or lies against a wall, which flattens it; left out, against a wall. */
  backing: z.enum(['free', 'wall']).optional(),
  /** Width at the tip as a share of the width at the thick end. */
  taper: z.number().min(0.2).max(1),
  /** How its clusters are joined, where it differs from the house. */
  joining: Schools.shape.joining.optional(),
  /** The base swings from side to side of the line: `amplitudeM` each way, once in `wavelengthM`. */
  snake: z
    .strictObject({
      amplitudeM: z.number().min(0).max(1.5),
      wavelengthM: LengthM.max(10),
      /** Only between these shares of its line; left out, all along. */
      from: z.number().min(0).max(1).optional(),
      to: z.number().min(0).max(1).optional(),
    })
    .optional(),
  /** Length lying on the floor from the thick end, spread a little wider. */
  tailM: z.number().min(0).max(6).optional(),
  /** Extra clusters on sharp corners, so that the line does not look slumped. */
  raisedCorners: z.boolean().optional(),
  /** Lengths it is built and carried in; left out, the engine cuts it into armfuls. */
  sections: z.int().min(1).max(30).optional(),
  /** Where it is parted by hand, as shares of its length from the thick end, ascending; then `sections` says nothing. */
  cuts: z.array(z.number().min(0.02).max(0.98)).min(1).max(29).optional(),
});

/** Clusters of assorted diameters along a free line. */
export const OrganicGarland = withSoundShares(GarlandFields);
export type OrganicGarland = z.infer<typeof OrganicGarland>;
