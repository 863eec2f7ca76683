import { z } from 'zod';
import { ColourId } from '../ids.ts';
import { DiameterIn, LengthM, Name, Text } from '../scalars.ts';
import { Blown, HeightM, made, Point, placed } from './common.ts';

const Round = z.strictObject({
  what: z.literal('round'),
  balloon: Blown,
  colour: ColourId,
  fill: z.enum(['plain', 'lined', 'stuffed']),
  /** Of the lining or of the balloon inside. */
  innerColour: ColourId.optional(),
});
const Foil = z.strictObject({
  what: z.literal('foil'),
  /** Free words: star, moon, number, heron. */
  shape: z.string().min(1).max(40).regex(/\S/, 'must not be blank'),
  /** The letter or figure. */
  text: z.string().max(12),
  sizeIn: DiameterIn,
  colour: ColourId,
});
const Helium = z.strictObject({
  what: z.literal('helium'),
  balloon: Blown,
  colours: z.array(ColourId).min(1).max(12),
  /** Balloons in one bouquet. */
  balloonsEach: z.int().min(1).max(60),
  ribbonM: LengthM.max(10),
  /** Of the weight it is tied to. */
  weightG: z.number().min(0).max(20_000),
});

/** One thing placed to be looked at. */
export const Accent = z.strictObject({
  kind: z.literal('accent'),
  ...made,
  at: Point,
  count: z.int().min(1).max(100),
  look: z.discriminatedUnion('what', [Round, Foil, Helium]),
  /** What is done if it pops and there is no spare. */
  planB: Text,
});
export type Accent = z.infer<typeof Accent>;

/** Cloth, greenery, boards or a sign behind or beside the balloons. */
export const Backdrop = z.strictObject({
  kind: z.literal('backdrop'),
  ...placed,
  at: Point,
  what: z.enum(['curtain', 'greenery', 'boards', 'sign']),
  widthM: LengthM.max(15),
  heightM: HeightM.max(6),
  /** Width of one drop, panel or board. */
  unitWidthM: LengthM.max(4),
  /** Height of one panel; drops and boards run the whole height. */
  unitHeightM: LengthM.max(6),
  /** Cloth over visible width. */
  fullness: z.number().min(1).max(4),
  /** As the elevation shows it. */
  colour: ColourId,
  text: z.string().max(80),
});
export type Backdrop = z.infer<typeof Backdrop>;

/** Tables, chairs, linen, props: counted, carried and timed, not inflated. */
export const Furnishing = z.strictObject({
  kind: z.literal('furnishing'),
  ...placed,
  at: Point,
  items: z
    .array(
      z.strictObject({
        name: Name,
        count: z.int().min(1).max(1000),
        /** To unfold, place and dress one. */
        minutesEach: z.number().min(0).max(240),
        massKg: z.number().min(0).max(500),
        widthM: LengthM.max(6),
        heightM: HeightM.max(6),
        /** How it rides; left out, a table folded, chairs in stacks, all else as it stands. */
        rides: z.enum(['folded', 'stacked', 'as-it-stands']).optional(),
      }),
    )
    .min(1)
    .max(40),
});
export type Furnishing = z.infer<typeof Furnishing>;
