import { z } from 'zod';
import { ColourId } from '../ids.ts';
import { PipeId } from '../pipe.ts';
import { withRule } from '../rules.ts';
import { DiameterIn, LengthM, Name } from '../scalars.ts';
import { Blown, ClusterSize, HeightM, LayerSize, Mix, made, Point } from './common.ts';

const OrganicDress = z.strictObject({ style: z.literal('organic'), widthM: LengthM.max(2), mix: Mix });
const QuadDress = z.strictObject({
  style: z.literal('quads'),
  balloon: Blown,
  /** Colours of the quads in order, repeated: one dark and three light, for example. */
  repeat: z.array(ColourId).min(1).max(24),
});

const FrameFields = z.strictObject({
  kind: z.literal('photo-frame'),
  ...made,
  /** On the floor, midway between the uprights. */
  at: Point,
  /** Of the bars. */
  widthM: LengthM.max(6),
  heightM: HeightM.max(5),
  dress: z.discriminatedUnion('style', [OrganicDress, QuadDress]),
  legs: z.enum(['bare', 'dressed']),
  /** Height of the lower bar above the floor. */
  legM: z.number().min(0).max(2),
  /** What the bars are cut from; left out, ½ in. PVC. */
  barPipe: PipeId.optional(),
  /** Outer diameter of the uprights; left out, a thin lamp pole. */
  poleIn: z.number().min(0.3).max(3).optional(),
});

/** A rectangle of poles and pipe to be photographed in. */
export const PhotoFrame = withRule(
  FrameFields,
  FrameFields.pick({ heightM: true, legM: true }),
  ({ heightM, legM }) =>
    legM < heightM - 0.3 ? [] : [{ path: ['legM'], reason: 'the lower bar stands as high as the upper' }],
);
export type PhotoFrame = z.infer<typeof PhotoFrame>;

/** Clusters up a pole and, beyond its top, hanging neck to neck in a curve. */
export const StandingGarland = z.strictObject({
  kind: z.literal('standing-garland'),
  ...made,
  at: Point,
  poleM: HeightM.max(5),
  /** Free pole at the foot: balloons pushed against the floor lift the base. */
  gapM: z.number().min(0).max(1),
  /** The part beyond the pole's top: its length and the way it leans. */
  curve: z.strictObject({ lengthM: z.number().min(0).max(3), side: z.enum(['left', 'right']) }),
  widthM: LengthM.max(2),
  taper: z.number().min(0.2).max(1),
  mix: Mix,
});
export type StandingGarland = z.infer<typeof StandingGarland>;

/** Rigid square panels on a stand, with garlands that clothe its legs. */
export const PanelWall = z.strictObject({
  kind: z.literal('panel-wall'),
  ...made,
  /** On the floor, the middle of the wall. */
  at: Point,
  panel: Name,
  panelIn: z.number().min(4).max(60),
  columns: z.int().min(1).max(20),
  rows: z.int().min(1).max(12),
  /** Single balloons that close the gaps at the edges. */
  edge: z.strictObject({ balloon: Blown, colours: z.array(ColourId).min(1).max(12) }),
  sides: z.strictObject({ widthM: LengthM.max(2), mix: Mix }).nullable(),
});
export type PanelWall = z.infer<typeof PanelWall>;

/** A ball of clusters on a stand, with a skirt of curtain below. */
export const Topiary = z.strictObject({
  kind: z.literal('topiary'),
  ...made,
  at: Point,
  /** Floor to the middle of the ball. */
  standM: HeightM.max(5),
  /** Of the ball, outside. */
  ballM: LengthM.max(3),
  clusterSize: ClusterSize,
  balloon: Blown,
  colours: z.array(ColourId).min(1).max(12),
  /** Small ones in the gaps; null for none. */
  fillers: Blown.nullable(),
  skirtM: z.number().min(0).max(3),
});
export type Topiary = z.infer<typeof Topiary>;

/** Links of modelling balloons hung in a bow. */
export const Chain = z.strictObject({
  kind: z.literal('chain'),
  ...made,
  from: Point,
  to: Point,
  /** Lowest point below the higher end's straight line, at mid-span. */
  sagM: z.number().min(0).max(5),
  linkIn: z.number().min(2).max(20),
  balloonsPerLink: z.int().min(1).max(4),
  /** Blown length of a modelling balloon, pinched into as many links as it gives; left out, as is usual. */
  blownIn: z.number().min(2).max(60).optional(),
  /** Pair by pair, repeated. */
  colours: z.array(ColourId).min(1).max(12),
  /** Small weighted bases it is tied to. */
  bases: z.int().min(0).max(2),
  /** Two rings of balloons over the weight of each base. */
  foot: z.strictObject({ balloon: Blown, balloons: LayerSize, colour: ColourId }).optional(),
});
export type Chain = z.infer<typeof Chain>;

/** Balloons tied into flowers on tape or thread. */
export const Bunch = z.strictObject({
  kind: z.literal('bunch'),
  ...made,
  at: Point,
  count: z.int().min(1).max(200),
  balloonsEach: z.int().min(2).max(12),
  balloon: Blown,
  colours: z.array(ColourId).min(1).max(12),
  /** How far each hangs down. */
  threadM: LengthM.max(10),
  /** Left out, thread. */
  hungOn: z.enum(['thread', 'tape', 'ribbon']).optional(),
});
export type Bunch = z.infer<typeof Bunch>;

/** One motif a letter, on thread. */
export const Banner = z.strictObject({
  kind: z.literal('banner'),
  ...made,
  /** Middle of the thread. */
  at: Point,
  text: z.string().min(1).max(40).regex(/\S/, 'must not be blank'),
  letterIn: DiameterIn,
  /** From one letter to the next. */
  pitchM: LengthM.max(2),
  balloon: Blown,
  /** None: letters alone. */
  balloonsEach: z.int().min(0).max(12),
  colours: z.array(ColourId).min(1).max(12),
});
export type Banner = z.infer<typeof Banner>;
