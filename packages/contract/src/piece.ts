import { z } from 'zod';
import { repeated, sharesAddUp, withRule } from './rules.ts';
import { DiameterIn, Id, LengthM, Name, SharePct } from './scalars.ts';

/** A point of the spot's elevation, metres right of and above its lower left corner. */
export const Point = z.strictObject({
  xM: z.number().min(-60).max(120),
  yM: z.number().min(-20).max(40),
});
export type Point = z.infer<typeof Point>;

/** Diameters a balloon is blown to, inches. */
const RangeFields = z.strictObject({ min: DiameterIn, max: DiameterIn });
export const InflatedRange = withRule(RangeFields, RangeFields, ({ min, max }) =>
  min <= max ? [] : [{ path: ['max'], reason: `${max} in. is below the smallest, ${min} in.` }],
);
export type InflatedRange = z.infer<typeof InflatedRange>;

const SizeFields = z.strictObject({
  nominalIn: DiameterIn,
  sharePct: SharePct,
  inflatedIn: InflatedRange,
});

/** One size of a mix: its share of the balloons, and the diameters it is blown to. */
export const SizeShare = withRule(
  SizeFields,
  SizeFields.pick({ nominalIn: true, inflatedIn: true }),
  ({ nominalIn, inflatedIn }) =>
    inflatedIn.max <= nominalIn
      ? []
      : [
          {
            path: ['inflatedIn', 'max'],
            reason: `${inflatedIn.max} in. is above the nominal size, ${nominalIn} in.`,
          },
        ],
);
export type SizeShare = z.infer<typeof SizeShare>;

export const ColourShare = z.strictObject({ colour: Id, sharePct: SharePct });
export type ColourShare = z.infer<typeof ColourShare>;

export const Grade = z.enum(['professional', 'standard', 'budget']);
export type Grade = z.infer<typeof Grade>;

const GarlandFields = z.strictObject({
  kind: z.literal('organic-garland'),
  id: Id,
  name: Name,
  spotId: Id,
  /** The garland's line through the clusters' ties, from its thick end to its tip; smoothed. */
  line: z.array(Point).min(2).max(40),
  /** Visible width at the thick end. */
  widthM: LengthM.max(3),
  /** Width at the tip as a share of the width at the thick end. */
  taper: z.number().min(0.2).max(1),
  /** Balloons in a cluster; `auto` picks the number whose own width comes nearest. */
  clusterSize: z.union([z.literal('auto'), z.int().min(4).max(8)]),
  /** Clusters pushed up tight against each other, or strung with play. */
  strung: z.enum(['tight', 'loose']),
  joining: z.enum(['string-260', 'string-neck', 'string-line']),
  /** Keep the shares as set, or let the engine tilt them until the width is met. */
  sizePolicy: z.enum(['as-set', 'fit-width']),
  sizes: z.array(SizeShare).min(1).max(8),
  colours: z.array(ColourShare).min(1).max(12),
  colourPlan: z.enum(['blocks', 'even']),
  fillers: z.strictObject({
    nominalIn: DiameterIn,
    inflatedIn: InflatedRange,
    /** Trios per metre of a garland 22 in. wide; 0 for none. */
    triosPerM: z.number().min(0).max(40),
  }),
  grade: Grade,
  /** Same seed, same placing. */
  seed: z
    .int()
    .min(0)
    .max(2 ** 31 - 1),
});

/** Clusters of assorted diameters along a free line. */
export const OrganicGarland = withRule(
  withRule(GarlandFields, GarlandFields.pick({ sizes: true }), ({ sizes }) => [
    ...sharesAddUp(
      sizes.map((size) => size.sharePct),
      'sizes',
    ),
    ...repeated(
      sizes.map((size) => `${size.nominalIn} in.`),
      'sizes',
    ),
  ]),
  GarlandFields.pick({ colours: true }),
  ({ colours }) => [
    ...sharesAddUp(
      colours.map((colour) => colour.sharePct),
      'colours',
    ),
    ...repeated(
      colours.map((colour) => colour.colour),
      'colours',
      'colour',
    ),
  ],
);
export type OrganicGarland = z.infer<typeof OrganicGarland>;

/** Whatever can be built. One member per kind. */
export const Piece = z.discriminatedUnion('kind', [OrganicGarland]);
export type Piece = z.infer<typeof Piece>;
