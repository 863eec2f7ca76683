import { z } from 'zod';
import { Hold } from '../hold.ts';
import { ColourId, SpotId } from '../ids.ts';
import { type Breach, repeated, sharesAddUp, withRule } from '../rules.ts';
import { DiameterIn, Id, LengthM, Name, SharePct } from '../scalars.ts';
import { ByHand } from './by-hand.ts';
import { Attachment, On } from './carried.ts';

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

const aboveNominal = (blownIn: number, nominalIn: number, path: string[]): Breach[] =>
  blownIn <= nominalIn
    ? []
    : [{ path, reason: `${blownIn} in. is above the nominal size, ${nominalIn} in.` }];

const SizeFields = z.strictObject({
  nominalIn: DiameterIn,
  sharePct: SharePct,
  inflatedIn: InflatedRange,
});

/** One size of a mix: its share of the balloons, and the diameters it is blown to. */
export const SizeShare = withRule(
  SizeFields,
  SizeFields.pick({ nominalIn: true, inflatedIn: true }),
  ({ nominalIn, inflatedIn }) => aboveNominal(inflatedIn.max, nominalIn, ['inflatedIn', 'max']),
);
export type SizeShare = z.infer<typeof SizeShare>;

const BlownFields = z.strictObject({ nominalIn: DiameterIn, inflatedIn: DiameterIn });

/** A balloon all of whose kind are blown alike, by template. */
export const Blown = withRule(BlownFields, BlownFields, ({ nominalIn, inflatedIn }) =>
  aboveNominal(inflatedIn, nominalIn, ['inflatedIn']),
);
export type Blown = z.infer<typeof Blown>;

export const ColourShare = z.strictObject({
  colour: ColourId,
  sharePct: SharePct,
  /** Where the colour gathers when the plan is by weight: −1 at the thick end, 1 at the tip, 0 all along. */
  lean: z.number().min(-1).max(1).optional(),
  /** Of a colour of which there is little: one by one, evenly all along and facing front, whatever the others' plan. */
  singly: z.boolean().optional(),
  /** The sizes it is used in, each with its share among the colours of that size; left out, in all by its one share. */
  inSizes: z
    .array(z.strictObject({ nominalIn: DiameterIn, sharePct: SharePct }))
    .max(12)
    .optional(),
});
export type ColourShare = z.infer<typeof ColourShare>;

export const Grade = z.enum(['professional', 'standard', 'budget']);
export type Grade = z.infer<typeof Grade>;

/** How installers differ; whatever a piece leaves out follows the house. */
export const Schools = z.strictObject({
  joining: z.enum(['string-260', 'string-neck', 'string-line']),
  tie: z.enum(['long', 'tight']),
  fillerFixing: z.enum(['half-260', 'loop', 'band', 'neck', 'dash']),
  sizing: z.enum(['eye', 'template']),
  inflatedAt: z.enum(['workshop', 'fillers-on-site', 'pairs-in-workshop', 'site']),
  dressing: z.enum(['on-the-spot', 'finished-sections']),
  onPipe: z.enum(['press', 'twist']),
  bloom: z.enum(['none', 'spray', 'wipe']),
});
export type Schools = z.infer<typeof Schools>;
export type SchoolName = keyof Schools;

/** Every kind has these. Pieces of one spot with the same `group` count and move as one. */
export const placed = {
  id: Id,
  name: Name,
  spotId: SpotId,
  group: Name.optional(),
  hold: Hold.optional(),
  /** What carries it; null where somebody has said that it is the spot itself, left out where nobody has said. */
  on: On.nullable().optional(),
  /** What it is tied to besides: the other tower of a pair arch, the garland it is joined to. */
  alsoOn: On.optional(),
  /** How far it stands in front of the wall; left out, against it. */
  frontM: z.number().min(0).max(30).optional(),
  attachments: z.array(Attachment).max(60).optional(),
};

const missing = { nominalIn: DiameterIn, colour: ColourId };

/** What takes the place of a balloon that is not made in its size and colour, or is sold out. */
export const StandIn = z.discriminatedUnion('way', [
  /** Another size of the colour, as many as fill the same volume. */
  z.strictObject({ way: z.literal('other-size'), ...missing, useIn: DiameterIn, inflatedIn: InflatedRange }),
  /** The colour inside a balloon of another one: two for one. */
  z.strictObject({ way: z.literal('stuffed'), ...missing, outerColour: ColourId, innerIn: DiameterIn }),
  /** One larger balloon pinched in the middle makes two small ones. */
  z.strictObject({ way: z.literal('folded'), ...missing, fromIn: DiameterIn }),
  /** Another colour in the same size. */
  z.strictObject({ way: z.literal('other-colour'), ...missing, useColour: ColourId }),
]);
export type StandIn = z.infer<typeof StandIn>;

/** So many balloons that hang already or come from an earlier installation, blown and tied. */
export const Kept = z.strictObject({ ...missing, count: z.int().min(1).max(5000) });
export type Kept = z.infer<typeof Kept>;

/** Every kind made of balloons has these besides. */
export const made = {
  ...placed,
  grade: Grade,
  schools: Schools.partial().optional(),
  standIns: z.array(StandIn).max(60).optional(),
  /** Counted in and topped up; neither bought nor blown anew. */
  kept: z.array(Kept).max(60).optional(),
};

/** Same seed, same placing. */
export const Seed = z
  .int()
  .min(0)
  .max(2 ** 31 - 1);

/** Above 14 a cluster is unwieldy, above 16 nobody twists it. */
export const ClusterSize = z.union([z.literal('auto'), z.int().min(2).max(16)]);

/** How full an organic dressing is: the fewest balloons that fill its outline, as is usual, or richly. */
export const Fullness = z.enum(['thin', 'usual', 'rich']);
export type Fullness = z.infer<typeof Fullness>;

const FillerFields = z.strictObject({
  nominalIn: DiameterIn,
  inflatedIn: InflatedRange,
  /** Balloons in one: a single, a duplet, a trio …; left out, a trio. */
  size: z.int().min(1).max(6).optional(),
  /** Folded from balloons of this size, two of one: pinched in the middle, without a neck. */
  foldedFromIn: DiameterIn.optional(),
});

/** Small balloons that close the gaps. */
export const Filler = withRule(
  FillerFields,
  FillerFields.pick({ nominalIn: true, foldedFromIn: true }),
  ({ nominalIn, foldedFromIn }) =>
    foldedFromIn === undefined || foldedFromIn > nominalIn
      ? []
      : [{ path: ['foldedFromIn'], reason: `${foldedFromIn} in. is no larger than the filler` }],
);
export type Filler = z.infer<typeof Filler>;

/** So many clusters of one size and colour after each other. */
export const Stretch = z.strictObject({
  colour: ColourId,
  clusterSize: z.int().min(2).max(16),
  clusters: z.int().min(1).max(200),
});
export type Stretch = z.infer<typeof Stretch>;

/** What an organic dressing is mixed of. */
export const mixFields = {
  /** Balloons in a cluster; `auto` picks the number whose own width comes nearest. */
  clusterSize: ClusterSize,
  /** Left out, as is usual. */
  fullness: Fullness.optional(),
  /** Clusters pushed up tight against each other, or strung with play. */
  strung: z.enum(['tight', 'loose']),
  /** Keep the shares as set, or let the engine tilt them until the width is met. */
  sizePolicy: z.enum(['as-set', 'fit-width']),
  sizes: z.array(SizeShare).min(1).max(8),
  colours: z.array(ColourShare).min(1).max(12),
  colourPlan: z.enum(['blocks', 'even', 'weighted']),
  /** Clusters of one colour after each other, from the thick end on and over again to the tip; left out, dealt by share. */
  stretches: z.array(Stretch).min(1).max(40).optional(),
  /** The largest size spread evenly and turned to the front: one in each block of colour. */
  largeToFront: z.boolean().optional(),
  fillers: z.strictObject({
    ...FillerFields.shape,
    /** Fillers per metre of a garland 22 in. wide; 0 for none. */
    triosPerM: z.number().min(0).max(40),
  }),
  /** Besides, larger ones for the large gaps. */
  largeFillers: z.strictObject({ ...FillerFields.shape, perM: z.number().min(0).max(40) }).optional(),
  /** Changed after it was looked at, in the order in which it was done. */
  byHand: z.array(ByHand).max(60).optional(),
  seed: Seed,
};

const MixFields = z.strictObject(mixFields);
type Shares = Pick<z.infer<typeof MixFields>, 'sizes' | 'colours'>;

/** Shares that add up, nothing twice, a colour for every size. */
export const withSoundShares = <S extends z.ZodType>(schema: S): S => withColouredSizes(withShares(schema));

const withShares = <S extends z.ZodType>(schema: S): S =>
  withRule(
    withRule(schema, MixFields.pick({ sizes: true }), ({ sizes }: Pick<Shares, 'sizes'>) => [
      ...sharesAddUp(
        sizes.map((size) => size.sharePct),
        'sizes',
      ),
      ...repeated(
        sizes.map((size) => `${size.nominalIn} in.`),
        'sizes',
      ),
    ]),
    MixFields.pick({ colours: true }),
    ({ colours }: Pick<Shares, 'colours'>) => [
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

const sizesRead = MixFields.pick({ sizes: true, colours: true, fillers: true, largeFillers: true });

/** Every size that has balloons has a colour. */
const withColouredSizes = <S extends z.ZodType>(schema: S): S =>
  withRule(schema, sizesRead, ({ sizes, colours, fillers, largeFillers }) =>
    [
      ...sizes.filter(({ sharePct }) => sharePct > 0),
      ...(fillers.triosPerM > 0 ? [fillers] : []),
      ...(largeFillers && largeFillers.perM > 0 ? [largeFillers] : []),
    ]
      .filter(({ nominalIn }) => colours.every((share) => shareIn(share, nominalIn) === 0))
      .map(({ nominalIn }) => ({ path: ['colours'], reason: `no colour is used in ${nominalIn} in.` })),
  );

/** A colour's weight among the balloons of a size. */
const shareIn = ({ sharePct, inSizes }: ColourShare, nominalIn: number): number =>
  inSizes ? (inSizes.find((one) => one.nominalIn === nominalIn)?.sharePct ?? 0) : sharePct;

/** Sizes and colours of an organic dressing on something that is not itself a garland. */
export const Mix = withSoundShares(MixFields);
export type Mix = z.infer<typeof Mix>;

/** Balloons in a layer of packed work. */
export const LayerSize = z.int().min(3).max(6);

/**
 * How the colours of packed layers follow each other. `colours` runs round the layer for spiral and stripes (repeated
 * until the layer is full), and upward for rings and blocks.
 */
export const Pattern = z.strictObject({
  kind: z.enum(['plain', 'spiral', 'stripes', 'rings', 'blocks']),
  colours: z.array(ColourId).min(1).max(12),
  /** The way a spiral climbs, seen from the front. */
  turn: z.enum(['left', 'right']),
  /** Layers in one block. */
  blockLayers: z.int().min(1).max(40),
});
export type Pattern = z.infer<typeof Pattern>;

/** A layer set by itself: how many balloons, how large, in which colour. */
export const OwnLayer = z.strictObject({ balloons: LayerSize, inflatedIn: DiameterIn, colour: ColourId });
export type OwnLayer = z.infer<typeof OwnLayer>;

/** Layers set one by one, the lowest first; left out, as size, diameters and pattern say. */
export const OwnLayers = z.array(OwnLayer).min(1).max(80);

/** One balloon of a colour on top. */
export const Topper = withRule(
  BlownFields.extend({ colour: ColourId }),
  BlownFields,
  ({ nominalIn, inflatedIn }) => aboveNominal(inflatedIn, nominalIn, ['inflatedIn']),
);
export type Topper = z.infer<typeof Topper>;

/** How hard layers are pressed together: their pitch over that of touching spheres. */
export const PressFactor = z.number().min(0.8).max(1.1);

export const HeightM = LengthM.max(20);
