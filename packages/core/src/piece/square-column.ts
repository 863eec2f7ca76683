import type { SquareColumn } from '@early-lantern/contract';
import { nestedPitch, ringOuterDiameter, squarePitch } from '../geometry/rings.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { DERIVED, working } from '../working.ts';
import { poleOf } from './hardware.ts';
import type { Kind } from './kind.ts';
import { drawLayers, type Layer, layerName, layerNeeds } from './layers.ts';
import { drawTopper, oneFrame, packedRecipe, standMaterials } from './packed.ts';
import { columnParts } from './part.ts';
import { basePlate, upright } from './picture.ts';
import { standing } from './traits.ts';
import { standsAt } from './upon.ts';

/** Large quads one above the other, kept apart by small ones, so that the colours run straight up. */
export const squareColumn: Kind<SquareColumn> = {
  traits: standing,
  sizeM: ({ heightM }, { visibleWidthM }) => ({ widthM: visibleWidthM, heightM }),
  upon: standsAt,
  hardware: ({ heightM }) => poleOf(heightM),
  lookOver: () => [
    'It stands plumb: look along a wall or a door frame.',
    'Its corners run straight up: turn a layer that has rolled.',
  ],
  recipe(piece, schools) {
    const { heightM, large, small, topper } = piece;
    const { largeLayers, smallLayers, pitchM } = squareLayers(piece);
    return packedRecipe({
      layers: largeLayers,
      schools,
      lengthM: heightM,
      widthM: inchesToMetres(ringOuterDiameter(4, large.inflatedIn)),
      topM: heightM + inchesToMetres(topper?.inflatedIn ?? 0),
      // A topper is tied down at its neck, which is where the column ends.
      handsUpToM: heightM,
      frame: oneFrame('column-stand', 'set the stand', { weighted: 'set the stand, weight its base' }),
      materials: standMaterials(1, heightM, 'weighted-base'),
      layersHow: [
        'In turn: a large quad, a small quad turned into its hollows, the next large quad straight above.',
        'The small ones must peek out; pressed too hard they are swallowed.',
      ],
      layersStep: {
        label: `${plural(largeLayers.length, 'large quad')} and ${plural(smallLayers.length, 'small one')} in turn`,
        amount: largeLayers.length + smallLayers.length,
      },
      working: [
        working(
          'Step from one large quad to the next',
          'max(2 h(large, small), d_large)',
          [
            ['d_large', inchesToMetres(large.inflatedIn), 'm'],
            ['d_small', inchesToMetres(small.inflatedIn), 'm'],
            ['h(large, small)', inchesToMetres(nestedPitch(4, large.inflatedIn, small.inflatedIn)), 'm'],
          ],
          { value: pitchM, unit: 'm' },
          DERIVED,
        ),
        working(
          'Large quads',
          '(H − d_large) / step + 1, rounded',
          [
            ['H', heightM, 'm'],
            ['d_large', inchesToMetres(large.inflatedIn), 'm'],
            ['step', pitchM, 'm'],
          ],
          { value: largeLayers.length, unit: 'quads' },
          DERIVED,
        ),
      ],
      topper,
      extra: {
        needs: layerNeeds(smallLayers, layerName, 'filler'),
        assemblies: [
          {
            name: 'small quads',
            size: 4,
            count: smallLayers.length,
            part: 'buffers',
            make: 'twist-quad',
            join: schools.onPipe === 'press' ? 'press-quad' : 'twist-on-pipe',
            joinAt: 'site',
          },
        ],
      },
    });
  },
  picture(piece) {
    const { at, heightM } = piece;
    const { largeLayers, smallLayers } = squareLayers(piece);
    const axis = [
      { x: at.xM, y: at.yM },
      { x: at.xM, y: at.yM + heightM },
    ];
    const balloons = [...drawLayers(axis, largeLayers), ...drawLayers(axis, smallLayers)];
    return {
      shapes: [basePlate(at.xM, at.yM), upright(at.xM, at.yM, at.yM + heightM)],
      balloons: [...balloons, ...drawTopper(piece.topper, at.xM, at.yM + heightM)],
    };
  },
  parts: ({ at, heightM, large }) =>
    columnParts(at, heightM, inchesToMetres(ringOuterDiameter(4, large.inflatedIn))),
};

/** Large layers stand in line, small ones turned by half a step between each two. */
export function squareLayers({ heightM, large, small, colours, smallColour }: SquareColumn) {
  const pitchM = inchesToMetres(squarePitch(large.inflatedIn, small.inflatedIn));
  const largeM = inchesToMetres(large.inflatedIn);
  const count = Math.max(1, Math.round((heightM - largeM) / pitchM) + 1);
  const word = Array.from({ length: 4 }, (_, j) => colours[j % colours.length] as string);
  const layer = (balloon: typeof large, colourWord: string[], halfSteps: number, atM: number): Layer => ({
    word: colourWord,
    halfSteps,
    ...balloon,
    atM,
  });
  const largeLayers = Array.from({ length: count }, (_, i) =>
    layer(large, word, -1, largeM / 2 + i * pitchM),
  );
  const smallLayers = Array.from({ length: count - 1 }, (_, i) =>
    layer(small, Array<string>(4).fill(smallColour), 0, largeM / 2 + (i + 0.5) * pitchM),
  );
  return { largeLayers, smallLayers, pitchM };
}
