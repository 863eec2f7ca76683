import type { HoldPiece, JobFile, Piece, Spot } from '@early-lantern/contract';
import { DRAG, dynamicPressure, SOLID } from '../air/wind.ts';
import { bestMethod, hookFor } from '../fixing/methods.ts';
import { placeOnPart } from '../fixing/on-parts.ts';
import type { XY } from '../geometry/line.ts';
import { attachedKg } from '../piece/attachments.ts';
import { uponOf } from '../piece/kinds.ts';
import type { Recipe } from '../piece/recipe.ts';
import { placementOf } from '../piece/recipe-of.ts';
import { GRAVITY } from '../quantity/force.ts';
import { formatLength } from '../quantity/length.ts';
import { carryingOf, distanceTo } from '../support/parts.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import { blank } from './blank-piece.ts';
import { gustAt, isOutdoors, rulesOf } from './gust-at.ts';
import type { PieceMass } from './mass.ts';

/** So far from its part a piece is not on it any more, m: an arm's reach of line. From memory. */
const REACH_M = 0.6;

/**
 * What is tied to, stuck on or set on a part of another piece: an accent in a garland, a sign on a pole, a toy on a
 * topiary. Each thing on a fixing of its own. Undefined where the piece says nothing of a carrier.
 */
export function carriedPiece(
  piece: Piece,
  spot: Spot,
  recipe: Recipe,
  mass: PieceMass,
  file: JobFile,
): HoldPiece | undefined {
  const { ends, things: count } = uponOf(piece);
  // Two ends are looked at each for itself.
  if (!piece.on || ends) return undefined;
  const carrying = carryingOf(piece.on, file.job.pieces);
  const allKg = mass.dressingKg + mass.gearKg + attachedKg(piece);
  if (!carrying)
    return {
      ...blank(piece, 'nothing yet', allKg),
      troubles: [`${piece.name}: what it should hang on has no such part; choose what carries it.`],
    };
  const { carrier, part } = carrying;
  const words = `${part.label} of ${carrier.name}`;
  if (part.made === 'table-top') return blank(piece, `stands on ${words}`, allKg);
  const at = placeOf(piece, file);
  const away = distanceTo(part, at);
  const rules = rulesOf(file);
  const best = bestMethod(placeOnPart(part.made, spot, file), file.workshop);
  const { gustMs, source } = gustAt(spot, file);
  const windNPerPa = isOutdoors(spot, file)
    ? (DRAG * SOLID * Math.max(0.01, recipe.visibleWidthM * Math.max(recipe.lengthM, recipe.visibleWidthM))) /
      count
    : 0;
  const downN = (allKg / count) * GRAVITY;
  const loadN = Math.hypot(downN, windNPerPa * dynamicPressure(gustMs));
  const reach = REACH_M + recipe.visibleWidthM / 2;
  const troubles =
    away > reach
      ? [
          `${piece.name}: it is ${formatLength(away, file.workshop.units)} away from ${words}; move it there, or choose what carries it.`,
        ]
      : [];
  if (!best) return { ...blank(piece, `on ${words}`, allKg), troubles };
  const place = placeOnPart(part.made, spot, file);
  const hook = hookFor(best.method, place, file.workshop, rules.hookFactor, loadN);
  const { ratingN } = hook ?? best;
  const factor = Math.min(99, ratingN / Math.max(1e-9, loadN));
  return {
    ...blank(piece, `on ${words}`, allKg),
    safetyFactor: factor,
    required: rules.hookFactor,
    governing: 'the fixing of one',
    points: Array.from({ length: count }, (_, i) => ({
      id: `on-${i + 1}`,
      spotXYM: { xM: Number(at.x.toFixed(3)), yM: Number(at.y.toFixed(3)) },
      at: count > 1 ? i / (count - 1) : 0.5,
      section: 0,
      method: best.method,
      ...(hook ? { hook: { id: hook.id, name: hook.name } } : {}),
      surface: place.surface,
      on: piece.on as NonNullable<Piece['on']>,
      loadN: downN,
      windNPerPa,
      ratingN,
      factor,
      isLocked: false,
    })),
    troubles,
    working: [
      ...mass.working,
      working(
        'Safety factor of one fixing',
        'rating / √(weight² + wind²)',
        [
          ['rating', ratingN, 'N'],
          ['weight', downN, 'N'],
          ['wind', windNPerPa * dynamicPressure(gustMs), 'N'],
          ['required', rules.hookFactor],
        ],
        { value: factor },
        `statics; ways of fixing by part: ${COMMON_PRACTICE}; ${source}`,
      ),
    ],
  };
}

/** Where a piece is held: at its own place, else in the middle of what is drawn. */
function placeOf(piece: Piece, file: JobFile): XY {
  const [at, ...more] = uponOf(piece).samples;
  if (at && more.length === 0) return at;
  const { balloons } = placementOf(piece, file.workshop.schools);
  const count = Math.max(1, balloons.length);
  return {
    x: balloons.reduce((sum, { xM }) => sum + xM, 0) / count,
    y: balloons.reduce((sum, { yM }) => sum + yM, 0) / count,
  };
}
