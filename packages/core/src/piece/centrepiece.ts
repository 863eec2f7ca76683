import type { Centrepiece } from '@early-lantern/contract';
import { ringOuterDiameter } from '../geometry/rings.ts';
import { amounts, material, unitsFor } from '../materials/materials.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { DERIVED, working } from '../working.ts';
import { noHardware } from './hardware.ts';
import type { Kind } from './kind.ts';
import { drawLayers, gradedLayers } from './layers.ts';
import { oneFrame, packedRecipe } from './packed.ts';
import { basePlate, upright } from './picture.ts';
import { standing } from './traits.ts';
import { goesOn } from './upon.ts';

/** Posts are of this. Common practice, no source. */
const POST_PIPE = 'pvc-half';

/** Graded layers on a short pipe in a wooden block: heavy below, light above. */
export const centrepiece: Kind<Centrepiece> = {
  traits: standing,
  sizeM: ({ postM }, { visibleWidthM }) => ({ widthM: visibleWidthM, heightM: postM }),
  upon: goesOn('table-top'),
  hardware: ({ count, postM }) => ({
    ...noHardware(),
    pipes: Array.from({ length: count }, (_, i) => ({
      pipe: POST_PIPE,
      label: `post ${i + 1}`,
      lengthM: postM,
    })),
  }),
  lookOver: () => ['All stand alike: the same side to the guests, the same height.'],
  recipe(piece, schools) {
    const { at, count, postM, bottomIn, topIn, layerSize } = piece;
    const layers = centreLayers(piece);
    return packedRecipe({
      layers,
      schools,
      lengthM: postM,
      widthM: inchesToMetres(ringOuterDiameter(layerSize, bottomIn)),
      topM: at.yM + postM,
      frame: oneFrame(
        'column-stand',
        `screw ${plural(count, 'post')} to ${count === 1 ? 'its block' : 'their blocks'}`,
        { amount: count },
      ),
      materials: [
        material(
          `pipe-${POST_PIPE}`,
          unitsFor(count * postM, amounts.stockPipeM.value),
          '⌈count · post / stock length⌉',
          [
            ['count', count],
            ['post', postM, 'm'],
            ['stock length', amounts.stockPipeM.value, 'm'],
          ],
          amounts.stockPipeM.tag,
          { what: 'Posts cut from ½ in. pipe' },
        ),
        material('wood-block', count, 'one for each', [['count', count]]),
      ],
      layersHow: ['Heavy layers below, light ones above; a filled block keeps it upright.'],
      working: [
        working(
          'Layers of one centrepiece',
          'as many graded layers as the post takes',
          [
            ['post', postM, 'm'],
            ['lowest', inchesToMetres(bottomIn), 'm'],
            ['topmost', inchesToMetres(topIn), 'm'],
          ],
          { value: layers.length, unit: 'layers' },
          DERIVED,
        ),
        working(
          'Layers in all',
          'layers · count',
          [
            ['layers', layers.length],
            ['count', count],
          ],
          { value: layers.length * count, unit: 'layers' },
          DERIVED,
        ),
      ],
      times: count,
    });
  },
  picture(piece) {
    const { at, postM } = piece;
    const axis = [
      { x: at.xM, y: at.yM },
      { x: at.xM, y: at.yM + postM },
    ];
    return {
      shapes: [basePlate(at.xM, at.yM, 0.2), upright(at.xM, at.yM, at.yM + postM)],
      balloons: drawLayers(axis, centreLayers(piece)),
    };
  },
};

export const centreLayers = ({
  postM,
  layerSize,
  nominalIn,
  bottomIn,
  topIn,
  pressFactor,
  pattern,
}: Centrepiece) => gradedLayers(postM, layerSize, nominalIn, bottomIn, topIn, pressFactor, pattern);
