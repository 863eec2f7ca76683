import type { PieceOf } from '@early-lantern/contract';
import { DRAG, SOLID } from '../air/wind.ts';
import { rodX } from '../geometry/elastica.ts';
import type { Recipe } from '../piece/recipe.ts';
import { GRAVITY } from '../quantity/force.ts';
import { bendPipe, bendWorking } from './bent-pipe.ts';
import type { Carrier } from './carrier.ts';
import type { PieceMass } from './mass.ts';
import { pipeOf } from './pipes.ts';
import { upright } from './upright.ts';

/** From this much pipe an arch is a large one, m. From memory, an editable default. */
const LARGE_ARCH_M = 6;
const LARGE_ARCH_TIES = 4;
/** Lines are tied from the crown down to the shoulders, at this share of the rise. From memory, an editable default. */
const SHOULDER = 0.7;

/** A pipe bent between two bases. */
export function archCarrier(piece: PieceOf<'packed-arch'>, recipe: Recipe, mass: PieceMass): Carrier {
  const { pipeLengthM, spanM, name } = piece;
  const pipe = pipeOf(piece.pipe);
  const massKg = mass.dressingKg + pipe.kgPerM * pipeLengthM;
  const isFormed = piece.isFormed ?? false;
  const bent = bendPipe(pipe, pipeLengthM, spanM, (massKg * GRAVITY) / pipeLengthM, isFormed);
  const { rod } = bent;
  const meanHeightM = rod.points.reduce((sum, { y }) => sum + y, 0) / rod.points.length;
  const isSteel = pipe.warnStrain === pipe.refuseStrain;
  const area = DRAG * SOLID * recipe.visibleWidthM;
  return {
    ...upright('pipe arch between two bases', 'plate-2ft', recipe, mass),
    feetXM: [-spanM / 2, spanM / 2],
    massKg,
    pickX: (at) => rodX(rod.points, at),
    dragFrontM2: area * pipeLengthM,
    dragSideM2: area * rod.rise,
    windHeightM: meanHeightM,
    pushAtFootN: bent.thrustN,
    bent: {
      pipe,
      lengthM: pipeLengthM,
      spanM,
      riseM: rod.rise,
      meanHeightM,
      isFormed,
      restMomentNm: bent.baseMomentNm,
    },
    // The pipe is pushed on its bases: each stands for itself against sliding.
    isJoined: true,
    // From the crown, or 0.6 of the arc, down to the shoulders.
    tieEnds: rod.points
      .filter(
        ({ x, y }, i) =>
          x >= 0 &&
          y >= SHOULDER * rod.rise &&
          (piece.hold?.tiedAt !== 'shoulders' || i >= 0.6 * (rod.points.length - 1)),
      )
      .map(({ x, y }) => ({ xM: x, yM: y })),
    tiesByPractice: pipeLengthM >= LARGE_ARCH_M ? LARGE_ARCH_TIES : 0,
    troubles:
      bent.verdict === 'kinks'
        ? [
            isSteel
              ? `${name}: the ${pipe.label} yields long before it is bent so far; have it bent to shape beforehand, or take PVC.`
              : `${name}: bent this tight the ${pipe.label} kinks; widen the span, take more pipe or a thinner one.`,
          ]
        : bent.verdict === 'sags'
          ? [`${name}: the ${pipe.label} is too soft for what it carries; take a stiffer one.`]
          : [],
    notes:
      bent.verdict === 'may creep in heat'
        ? [`The ${pipe.label} is bent by ${(bent.strain * 100).toFixed(1)} %: it may creep in heat.`]
        : [],
    working: bendWorking(pipe, pipeLengthM, spanM, bent),
  };
}
