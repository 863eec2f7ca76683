import type { HoldPiece, Holds, JobFile, Piece, Spot, Weight } from '@early-lantern/contract';
import { methodOf } from '../fixing/methods.ts';
import { withLadders } from '../fixing/reach.ts';
import { groundOf } from '../ground/from-above.ts';
import { inTheWay } from '../ground/in-the-way.ts';
import { withOverlaps } from '../ground/overlaps.ts';
import { isGarland } from '../piece/kinds.ts';
import type { Recipe } from '../piece/recipe.ts';
import { memoByPiece } from '../quantity/memo.ts';
import { countAway, weightItem } from '../stock/away.ts';
import { allCarriedBy } from '../support/carried.ts';
import { STAKE } from './anchors.ts';
import { carriedPiece } from './carried-piece.ts';
import { carrierOf } from './carriers.ts';
import { gustAt, indoors, isOutdoors } from './gust-at.ts';
import { carriedOn } from './handed-down.ts';
import { hangingPiece } from './hanging-piece.ts';
import { massOf } from './mass.ts';
import { placedPiece } from './placed-piece.ts';
import { standingPiece } from './standing-piece.ts';
import { unsaidCarrier } from './unsaid.ts';

/** Every piece with what carries or fixes it, in the order of the job. */
export function holdsOf(file: JobFile, recipes: readonly { piece: Piece; recipe: Recipe }[]): Holds {
  const outside = recipes
    .map(({ piece }) => spotOf(piece, file))
    .find((spot) => spot && isOutdoors(spot, file));
  const { gustMs, source, basis } = outside ? gustAt(outside, file) : indoors;
  return {
    gustMs,
    gustSource: source,
    gustBasis: basis,
    isOutdoors: outside !== undefined,
    pieces: withOverlaps(inTurn(file, recipes), file),
  };
}

/** Piece after piece, each with the weights that other jobs of the day and the pieces before it leave. */
function inTurn(file: JobFile, recipes: readonly { piece: Piece; recipe: Recipe }[]): HoldPiece[] {
  let weights = weightsFor(file);
  return recipes.map(({ piece, recipe }) => {
    const held = holdPiece(piece, recipe, file, weights);
    const bases = held.ballastKg.length;
    if (held.weights.length) weights = without(weights, held.weights, bases);
    return held;
  });
}

/** The workshop's weights that are at home, less what jobs of the day with earlier doors take. */
const weightsFor = ({ workshop: { weights = [], overlapping = [], awayGear } }: JobFile): readonly Weight[] =>
  overlapping
    .filter(({ isFirst }) => isFirst)
    .reduce<readonly Weight[]>(
      (left, claim) => without(left, claim.weights, 1),
      weights.map((one) => ({
        ...one,
        count: Math.max(0, one.count - countAway(awayGear, weightItem(one.name))),
      })),
    );

const without = (
  weights: readonly Weight[],
  taken: readonly { id: string; count: number }[],
  times: number,
): Weight[] =>
  weights.map((one) => {
    const gone = taken.find(({ id }) => id === one.id)?.count ?? 0;
    return { ...one, count: Math.max(0, one.count - gone * times) };
  });

const spotOf = (piece: Piece, file: JobFile) => file.site.spots.find((one) => one.id === piece.spotId);

function ownSpot(piece: Piece, file: JobFile): Spot {
  const spot = spotOf(piece, file);
  if (!spot) throw new RangeError(`"${piece.name}" has no spot "${piece.spotId}" at this site`);
  return spot;
}

/** One piece, with what lies around it. */
function holdPiece(piece: Piece, recipe: Recipe, file: JobFile, weights: readonly Weight[]): HoldPiece {
  const held = holdAlone(piece, recipe, file, weights);
  const unsaid = unsaidCarrier(piece, file);
  return unsaid ? { ...held, risks: [...held.risks, unsaid] } : held;
}

/**
 * One piece with what it is on and what is on it, worked out again only when one of these or what it asks of the job has
 * changed: of the hours only the gust counts that they bring.
 */
const holdAlone = memoByPiece((piece: Piece, _: Recipe, file: JobFile, weights: readonly Weight[]) => {
  const { site, workshop, job } = file;
  const gust = gustAt(ownSpot(piece, file), file);
  return [
    site,
    workshop,
    gust.gustMs,
    gust.source,
    gust.basis,
    job.platforms,
    ...job.crew,
    ...carriersOf(piece, job.pieces),
    ...allCarriedBy(piece.id, job.pieces),
    ...weights.map(({ count }) => count),
  ];
}, holdAnew);

/** What carries a piece, and what carries that in turn: how far it is from the wall, the last of them says. */
function carriersOf(piece: Piece, pieces: readonly Piece[]): Piece[] {
  const found = new Set<Piece>();
  const visit = ({ on, alsoOn }: Piece) => {
    for (const one of pieces) {
      if ((one.id !== on?.pieceId && one.id !== alsoOn?.pieceId) || found.has(one)) continue;
      found.add(one);
      visit(one);
    }
  };
  visit(piece);
  return [...found];
}

/** Stands, hangs, or is only set down. */
function holdAnew(piece: Piece, recipe: Recipe, file: JobFile, weights: readonly Weight[]): HoldPiece {
  const spot = ownSpot(piece, file);
  const mass = massOf(recipe);
  const carried = carriedOn(piece, file);
  const carrier = carrierOf(piece, recipe, mass, file);
  const held = carrier
    ? standingPiece(piece, spot, carrier, mass, file, weights, carried)
    : isGarland(piece)
      ? hangingPiece(piece, spot, recipe, mass, file, carried)
      : (carriedPiece(piece, spot, recipe, mass, file) ?? placedPiece(piece, spot, mass, file, carried));
  const reached = { ...withLadders(held, spot, file), ground: groundOf(piece, held, file) };
  return {
    ...reached,
    isOutdoors: isOutdoors(spot, file),
    unasked: unaskedOf(piece, reached, spot, file),
    troubles: [...inTheWay(piece, reached, spot, file, isOutdoors(spot, file)), ...reached.troubles],
    risks: held.risks,
  };
}

/**
 * On another piece nothing of the place is asked; what hangs asks what there is to fix to, what stands for the floor, and
 * what sticks or is staked whether the venue allows it.
 */
function unaskedOf(
  piece: Piece,
  { points, cases, ballastKg, tieLines }: HoldPiece,
  spot: Spot,
  { site }: JobFile,
): HoldPiece['unasked'] {
  const hangs = isGarland(piece) && !piece.on && points.length === 0 && spot.fixings === undefined;
  const stands = cases.length > 0 && ballastKg.length > 0 && spot.floor === undefined;
  const mayBeForbidden =
    points.some(({ method, ratingN }) => ratingN > 0 && methodOf(method).vetoedBy) ||
    tieLines.some(({ anchor }) => anchor === STAKE);
  return [
    ...(hangs ? (['fixings'] as const) : []),
    ...(stands ? (['floor'] as const) : []),
    ...(mayBeForbidden && site.forbids === undefined ? (['forbids'] as const) : []),
  ];
}
