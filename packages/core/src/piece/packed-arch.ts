import type { PackedArch } from '@early-lantern/contract';
import { type BentRod, bentRod } from '../geometry/elastica.ts';
import { ringOuterDiameter } from '../geometry/rings.ts';
import { material } from '../materials/materials.ts';
import { pipeRun } from '../materials/piping.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { DERIVED, working } from '../working.ts';
import { noHardware } from './hardware.ts';
import type { Kind } from './kind.ts';
import { drawLayers, equalLayers } from './layers.ts';
import { equalLayersWorking, oneFrame, packedRecipe } from './packed.ts';
import { basePlate } from './picture.ts';
import { standing } from './traits.ts';
import { standsAt } from './upon.ts';

/** One base is laid down and the arch stood up later: hands go no higher, m. Laid down: common practice, no source. */
const LAID_DOWN_M = 1.5;

/** Layers pressed on a pipe bent between two bases. */
export const packedArch: Kind<PackedArch> = {
  traits: standing,
  upon: standsAt,
  hardware: ({ pipe, pipeLengthM }) => ({
    ...noHardware(),
    pipes: [{ pipe, label: 'arch', lengthM: pipeLengthM }],
  }),
  lookOver: () => [
    'Both feet stand in line, and the arch does not lean.',
    'The pattern runs on unbroken from layer to layer: where it jumps, twist the layer back.',
  ],
  recipe(piece, schools) {
    const { pipeLengthM, spanM, layerSize, balloon, pressFactor } = piece;
    const layers = archLayers(piece);
    const rod = bentRod(pipeLengthM, spanM);
    const widthM = inchesToMetres(ringOuterDiameter(layerSize, balloon.inflatedIn));
    return packedRecipe({
      layers,
      schools,
      lengthM: pipeLengthM,
      widthM,
      topM: rod.rise + widthM / 2,
      handsUpToM: LAID_DOWN_M,
      frame: oneFrame('arch-frame', 'set the arch frame', {
        weighted: 'set the arch frame, weight both bases',
        how: ['Push the couplings home and tape over every joint; bend the pipe between its bases.'],
      }),
      materials: [
        ...pipeRun(piece.pipe, pipeLengthM),
        material('weighted-base', 2, 'one at each end', []),
        material('base-cover', 2, 'one for each base', []),
      ],
      layersHow: ['Too high to reach: lay one base down and stand the arch up later, or slide low quads up.'],
      working: [
        ...equalLayersWorking(pipeLengthM, layerSize, balloon.inflatedIn, pressFactor, layers.length),
        ...shapeWorking(piece, rod),
      ],
    });
  },
  picture(piece) {
    const axis = archAxis(piece);
    const halfM = piece.spanM / 2;
    return {
      shapes: [
        basePlate(piece.at.xM - halfM, piece.at.yM),
        basePlate(piece.at.xM + halfM, piece.at.yM),
        { shape: 'line', points: axis, widthM: 0.021, tone: 'pipe' },
      ],
      balloons: drawLayers(axis, archLayers(piece)),
    };
  },
  parts: (piece) => [
    {
      id: 'layer',
      label: 'layers',
      made: 'balloons',
      lines: [archAxis(piece)],
      after: 'roof',
      before: 'fill',
    },
  ],
};

export const archLayers = ({ pipeLengthM, layerSize, balloon, pressFactor, pattern }: PackedArch) =>
  equalLayers(pipeLengthM, layerSize, balloon, pressFactor, pattern);

function archAxis({ at, pipeLengthM, spanM }: PackedArch) {
  return bentRod(pipeLengthM, spanM).points.map(({ x, y }) => ({ x: at.xM + x, y: at.yM + y }));
}

export function shapeWorking({ pipeLengthM, spanM }: { pipeLengthM: number; spanM: number }, rod: BentRod) {
  return [
    working(
      'Height of the crown',
      "elastica: κ' = f sin θ, upright at both bases",
      [
        ['L', pipeLengthM, 'm'],
        ['span', spanM, 'm'],
      ],
      { value: rod.rise, unit: 'm' },
      `${DERIVED}; the planar elastica of Euler`,
    ),
    working(
      'Width at its widest',
      'from the same curve',
      [['span', spanM, 'm']],
      { value: 2 * Math.max(...rod.points.map(({ x }) => x)), unit: 'm' },
      DERIVED,
    ),
  ];
}
