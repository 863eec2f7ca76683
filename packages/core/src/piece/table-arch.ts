import type { TableArch } from '@early-lantern/contract';
import { bentRod } from '../geometry/elastica.ts';
import { ringOuterDiameter } from '../geometry/rings.ts';
import { material } from '../materials/materials.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { noHardware } from './hardware.ts';
import type { Kind } from './kind.ts';
import { drawLayers, equalLayers } from './layers.ts';
import { equalLayersWorking, oneFrame, packedRecipe } from './packed.ts';
import { shapeWorking } from './packed-arch.ts';
import { standing } from './traits.ts';
import { goesOn } from './upon.ts';

/** Blown fuller than this, 12 in. quads do not go on the kit's poles. Common practice, no source. */
const FULLEST_IN = 10;

/** A kit of short poles between two clamps on a table. */
export const tableArch: Kind<TableArch> = {
  traits: standing,
  upon: goesOn('table-top', 'table-edge'),
  hardware: noHardware,
  lookOver: () => [
    'Both feet are clamped in line, and the arch does not lean.',
    'The pattern runs on unbroken from layer to layer: where it jumps, twist the layer back.',
  ],
  recipe(piece, schools) {
    const { poleLengthM, spanM, layerSize, balloon, pressFactor, at } = piece;
    const layers = tableLayers(piece);
    const rod = bentRod(poleLengthM, spanM);
    const widthM = inchesToMetres(ringOuterDiameter(layerSize, balloon.inflatedIn));
    return packedRecipe({
      layers,
      schools,
      lengthM: poleLengthM,
      widthM,
      topM: at.yM + rod.rise + widthM / 2,
      frame: oneFrame('clamp-kit', 'clamp the kit to the table, over its cloth if there is one', {
        how: ['Tablecloth first, then the clamps; measure the table top before the day.'],
      }),
      materials: [material('table-kit', 1, 'one arch', [])],
      layersHow: [],
      notes:
        balloon.inflatedIn > FULLEST_IN
          ? [`Quads of ${balloon.inflatedIn} in. hardly go on the kit's poles: keep them at 8–10 in.`]
          : [],
      working: [
        ...equalLayersWorking(poleLengthM, layerSize, balloon.inflatedIn, pressFactor, layers.length),
        ...shapeWorking({ pipeLengthM: poleLengthM, spanM }, rod),
      ],
    });
  },
  picture(piece) {
    const { at, poleLengthM, spanM } = piece;
    const axis = bentRod(poleLengthM, spanM).points.map(({ x, y }) => ({ x: at.xM + x, y: at.yM + y }));
    return {
      shapes: [{ shape: 'line', points: axis, widthM: 0.015, tone: 'pipe' }],
      balloons: drawLayers(axis, tableLayers(piece)),
    };
  },
  parts: ({ at, poleLengthM, spanM }) => [
    {
      id: 'layer',
      label: 'layers',
      made: 'balloons',
      lines: [bentRod(poleLengthM, spanM).points.map(({ x, y }) => ({ x: at.xM + x, y: at.yM + y }))],
      after: 'roof',
    },
  ],
};

export const tableLayers = ({ poleLengthM, layerSize, balloon, pressFactor, pattern }: TableArch) =>
  equalLayers(poleLengthM, layerSize, balloon, pressFactor, pattern);
