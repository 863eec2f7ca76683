import { z } from 'zod';
import { ColourId } from '../ids.ts';
import { PipeId } from '../pipe.ts';
import { withRule } from '../rules.ts';
import { DiameterIn, LengthM } from '../scalars.ts';
import { Blown, HeightM, LayerSize, made, OwnLayers, Pattern, Point, PressFactor, Topper } from './common.ts';

const spanFits = (spanM: number, lengthM: number) => {
  const share = spanM / lengthM;
  if (share > 2 / Math.PI)
    return [{ path: ['spanM'], reason: 'the bases stand wider apart than a half circle of this length' }];
  if (share < 0.15) return [{ path: ['spanM'], reason: 'the bases stand too close together to bend it' }];
  return [];
};

const ArchFields = z.strictObject({
  kind: z.literal('packed-arch'),
  ...made,
  /** On the floor, midway between the bases. */
  at: Point,
  pipe: PipeId,
  pipeLengthM: LengthM.max(30),
  /** Between the middles of the bases. */
  spanM: LengthM.max(20),
  /** Whether the pipe was bent to its shape beforehand, as conduit must be; else it is bent on site and springs back. */
  isFormed: z.boolean().optional(),
  layerSize: LayerSize,
  balloon: Blown,
  pressFactor: PressFactor,
  pattern: Pattern,
});

/** Layers pressed on a pipe bent between two bases. */
export const PackedArch = withRule(
  ArchFields,
  ArchFields.pick({ pipeLengthM: true, spanM: true }),
  ({ pipeLengthM, spanM }) => spanFits(spanM, pipeLengthM),
);
export type PackedArch = z.infer<typeof PackedArch>;

/** Layers pressed on an upright pole. */
export const PackedColumn = z.strictObject({
  kind: z.literal('packed-column'),
  ...made,
  /** On the floor, the middle of its base. */
  at: Point,
  heightM: HeightM,
  layerSize: LayerSize,
  balloon: Blown,
  pressFactor: PressFactor,
  pattern: Pattern,
  ownLayers: OwnLayers.optional(),
  topper: Topper.nullable(),
});
export type PackedColumn = z.infer<typeof PackedColumn>;

/** Large quads one above the other, kept apart by small ones, so that the colours run straight up. */
export const SquareColumn = z.strictObject({
  kind: z.literal('square-column'),
  ...made,
  at: Point,
  heightM: HeightM,
  large: Blown,
  small: Blown,
  /** Round the column, the one to the front left first; repeated until there are four. */
  colours: z.array(ColourId).min(1).max(4),
  smallColour: ColourId,
  topper: Topper.nullable(),
});
export type SquareColumn = z.infer<typeof SquareColumn>;

/** Jaws of the kit's clamps open no wider. Common practice, no source. */
const JAW_M = 0.0508;

const TableFields = z.strictObject({
  kind: z.literal('table-arch'),
  ...made,
  /** On the table top, midway between the clamps. */
  at: Point,
  poleLengthM: LengthM.max(8),
  spanM: LengthM.max(6),
  tableThicknessM: LengthM.max(0.2),
  /** From front to back, and its mass, kg: what the arch on it can tip over. Left out: a usual trestle table. */
  tableDepthM: LengthM.min(0.2).max(3).optional(),
  tableKg: z.number().positive().max(500).optional(),
  layerSize: LayerSize,
  balloon: Blown,
  pressFactor: PressFactor,
  pattern: Pattern,
});

/** A kit of short poles between two clamps on a table. */
export const TableArch = withRule(
  withRule(TableFields, TableFields.pick({ poleLengthM: true, spanM: true }), ({ poleLengthM, spanM }) =>
    spanFits(spanM, poleLengthM),
  ),
  TableFields.pick({ tableThicknessM: true }),
  ({ tableThicknessM }) =>
    tableThicknessM <= JAW_M
      ? []
      : [{ path: ['tableThicknessM'], reason: 'the clamps of the kit open to 2 in. at most' }],
);
export type TableArch = z.infer<typeof TableArch>;

const TowerFields = z.strictObject({
  kind: z.literal('tower'),
  ...made,
  at: Point,
  /** Height of the rings' stack, roof left out. */
  heightM: HeightM,
  layerSize: LayerSize,
  nominalIn: DiameterIn,
  /** Diameter of the lowest and of the topmost ring's balloons; those between run evenly. */
  bottomIn: DiameterIn,
  topIn: DiameterIn,
  pressFactor: PressFactor,
  pattern: Pattern,
  ownLayers: OwnLayers.optional(),
  /** Rings of ever smaller balloons closed by a flower. */
  roof: z
    .strictObject({
      rings: z.int().min(0).max(8),
      flower: Topper,
      /** Of the flower: five where it is left out. */
      petals: z.int().min(5).max(6).optional(),
    })
    .nullable(),
});

/** Rings seated in the gaps of the ones below on a weighted stand. */
export const Tower = withRule(
  TowerFields,
  TowerFields.pick({ nominalIn: true, bottomIn: true, topIn: true }),
  ({ nominalIn, bottomIn, topIn }) =>
    Math.max(bottomIn, topIn) <= nominalIn
      ? []
      : [
          {
            path: [bottomIn > topIn ? 'bottomIn' : 'topIn'],
            reason: `above the nominal size, ${nominalIn} in.`,
          },
        ],
);
export type Tower = z.infer<typeof Tower>;

const PairFields = z.strictObject({
  kind: z.literal('pair-arch'),
  ...made,
  /** Midway between the ends, at their height. */
  at: Point,
  spanM: LengthM.max(15),
  outside: Blown,
  inside: Blown,
  /** Along the arch, repeated. */
  outsideColours: z.array(ColourId).min(1).max(12),
  insideColours: z.array(ColourId).min(1).max(12),
});

/** Duplets of a large and a small balloon crossed on a tight string: the difference in size gives the curve. */
export const PairArch = withRule(
  PairFields,
  PairFields.pick({ outside: true, inside: true }),
  ({ outside, inside }) =>
    outside.inflatedIn > inside.inflatedIn
      ? []
      : [
          {
            path: ['inside', 'inflatedIn'],
            reason: 'the inside balloons are not the smaller ones: no curve',
          },
        ],
);
export type PairArch = z.infer<typeof PairArch>;

const CentreFields = z.strictObject({
  kind: z.literal('centrepiece'),
  ...made,
  at: Point,
  /** How many alike. */
  count: z.int().min(1).max(200),
  postM: LengthM.max(2),
  layerSize: LayerSize,
  nominalIn: DiameterIn,
  bottomIn: DiameterIn,
  topIn: DiameterIn,
  pressFactor: PressFactor,
  pattern: Pattern,
});

/** Graded layers on a short pipe in a wooden block: heavy below, light above. */
export const Centrepiece = withRule(
  CentreFields,
  CentreFields.pick({ nominalIn: true, bottomIn: true, topIn: true }),
  ({ nominalIn, bottomIn, topIn }) => [
    ...(bottomIn <= nominalIn
      ? []
      : [{ path: ['bottomIn'], reason: `above the nominal size, ${nominalIn} in.` }]),
    ...(topIn <= bottomIn ? [] : [{ path: ['topIn'], reason: 'larger above than below' }]),
  ],
);
export type Centrepiece = z.infer<typeof Centrepiece>;
