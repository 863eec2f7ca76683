import type { PackedColumn } from '@early-lantern/contract';
import { ringOuterDiameter } from '../geometry/rings.ts';
import { inchesToMetres } from '../quantity/length.ts';
import type { Kind } from './kind.ts';
import { drawLayers, equalLayers } from './layers.ts';
import { drawTopper, equalLayersWorking, oneFrame, packedRecipe, standMaterials } from './packed.ts';
import { columnParts } from './part.ts';
import { basePlate, upright } from './picture.ts';

/** Layers pressed on an upright pole. */
export const packedColumn: Kind<PackedColumn> = {
  recipe(piece, schools) {
    const { heightM, layerSize, balloon, pressFactor, topper } = piece;
    const layers = columnLayers(piece);
    return packedRecipe({
      layers,
      schools,
      lengthM: heightM,
      widthM: inchesToMetres(ringOuterDiameter(layerSize, balloon.inflatedIn)),
      topM: heightM + inchesToMetres(topper?.inflatedIn ?? 0),
      // A topper is tied down at its neck, which is where the column ends.
      handsUpToM: heightM,
      frame: oneFrame('column-stand', 'set the stand', { weighted: 'set the stand, weight its base' }),
      materials: standMaterials(1, heightM, 'weighted-base'),
      layersHow: ['Leave a little pole free at the foot: balloons pushed against the floor lift the base.'],
      working: equalLayersWorking(heightM, layerSize, balloon.inflatedIn, pressFactor, layers.length),
      topper,
    });
  },
  picture(piece) {
    const { at, heightM } = piece;
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
  parts: ({ at, heightM, layerSize, balloon }) =>
    columnParts(at, heightM, inchesToMetres(ringOuterDiameter(layerSize, balloon.inflatedIn))),
};

export const columnLayers = ({ heightM, layerSize, balloon, pressFactor, pattern }: PackedColumn) =>
  equalLayers(heightM, layerSize, balloon, pressFactor, pattern);
