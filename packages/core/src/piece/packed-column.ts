import type { PackedColumn } from '@early-lantern/contract';
import { ringOuterDiameter } from '../geometry/rings.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { poleOf } from './hardware.ts';
import type { Kind } from './kind.ts';
import { drawLayers, equalLayers, type Layer, ownLayers, topOf } from './layers.ts';
import {
  drawTopper,
  equalLayersWorking,
  oneFrame,
  ownLayersWorking,
  packedRecipe,
  standMaterials,
} from './packed.ts';
import { columnParts } from './part.ts';
import { basePlate, upright } from './picture.ts';
import { standing } from './traits.ts';
import { standsAt } from './upon.ts';

/** Layers pressed on an upright pole. */
export const packedColumn: Kind<PackedColumn> = {
  traits: standing,
  sizeM: ({ heightM }, { visibleWidthM }) => ({ widthM: visibleWidthM, heightM }),
  upon: standsAt,
  hardware: ({ heightM }) => poleOf(heightM),
  lookOver: () => [
    'It stands plumb: look along a wall or a door frame.',
    'The pattern runs on unbroken from layer to layer: where it jumps, twist the layer back.',
  ],
  recipe(piece, schools) {
    const { layerSize, balloon, pressFactor, topper } = piece;
    const layers = columnLayers(piece);
    const heightM = heightOf(piece);
    return packedRecipe({
      layers,
      schools,
      lengthM: heightM,
      widthM: widthOf(piece),
      topM: heightM + inchesToMetres(topper?.inflatedIn ?? 0),
      // A topper is tied down at its neck, which is where the column ends.
      handsUpToM: heightM,
      frame: oneFrame('column-stand', 'set the stand', { weighted: 'set the stand, weight its base' }),
      materials: standMaterials(1, heightM, 'weighted-base'),
      layersHow: ['Leave a little pole free at the foot: balloons pushed against the floor lift the base.'],
      working: piece.ownLayers
        ? ownLayersWorking(layers, pressFactor)
        : equalLayersWorking(heightM, layerSize, balloon.inflatedIn, pressFactor, layers.length),
      topper,
    });
  },
  picture(piece) {
    const { at } = piece;
    const heightM = heightOf(piece);
    const axis = [
      { x: at.xM, y: at.yM },
      { x: at.xM, y: at.yM + heightM },
    ];
    return {
      shapes: [basePlate(at.xM, at.yM), upright(at.xM, at.yM, at.yM + heightM)],
      balloons: [
        ...drawLayers(axis, columnLayers(piece)),
        ...drawTopper(piece.topper, at.xM, at.yM + heightM),
      ],
    };
  },
  parts: (piece) => columnParts(piece.at, heightOf(piece), widthOf(piece)),
};

export const columnLayers = (piece: PackedColumn): Layer[] => {
  const { heightM, layerSize, balloon, pressFactor, pattern } = piece;
  return piece.ownLayers
    ? ownLayers(piece.ownLayers, balloon.nominalIn, pressFactor)
    : equalLayers(heightM, layerSize, balloon, pressFactor, pattern);
};

/** As high as was asked, or as the layers set one by one come out. */
const heightOf = (piece: PackedColumn): number =>
  piece.ownLayers ? topOf(columnLayers(piece)) : piece.heightM;

const widthOf = ({ ownLayers: own, layerSize, balloon }: PackedColumn): number =>
  inchesToMetres(
    Math.max(
      ...(own ?? [{ balloons: layerSize, inflatedIn: balloon.inflatedIn }]).map((one) =>
        ringOuterDiameter(one.balloons, one.inflatedIn),
      ),
    ),
  );
