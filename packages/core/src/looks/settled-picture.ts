import type { Piece, Workshop } from '@early-lantern/contract';
import { designOf } from '../piece/design.ts';
import { dress } from '../piece/dressing.ts';
import { type ColouredBalloon, colouredDressing, nearestLast } from '../piece/dressing-picture.ts';
import type { Picture } from '../piece/picture.ts';
import type { DressedBalloon } from '../piece/placement.ts';
import { attached, schoolsOf } from '../piece/recipe-of.ts';
import { withStandInColours } from '../piece/stand-in-colours.ts';
import { sumOf } from '../quantity/group.ts';
import { type Around, alone } from './around.ts';
import { limitsOf } from './limits.ts';
import { type Look, lookOf } from './look-of.ts';

/**
 * How a piece looks as it will hang: its balloons where they settle, its fillers where they close the gaps, each in the
 * colour that it has in the picture drawn while it is edited.
 * @param around what it lies against
 * @returns undefined for what does not settle: that is drawn as it is made
 */
export function settledPictureOf(
  piece: Piece,
  workshop: Workshop,
  around: Around = alone,
): Picture | undefined {
  const design = designOf(piece, schoolsOf(piece, workshop.schools));
  const look = lookOf(design.key, design.placement(), limitsOf(piece, workshop), false, around);
  if (!look) return undefined;
  const { shapes, balloons: drawn } = design.picture();
  const dressed = settledBalls(design.placement(), look);
  // What belongs to no dressing, like the single balloons on the edges of panels, stays where it is.
  const others = drawn.slice(sumOf(dressed.map(({ length }) => length)));
  const balloons = [...nearestLast(dressed.flat()), ...others];
  return withStandInColours(
    { shapes, balloons: [...balloons, ...attached(piece)] },
    'standIns' in piece ? piece.standIns : undefined,
  );
}

/** Line by line the balloons of a dressing in their colours where they hang: the base in the order of the line, then fillers. */
export function settledBalls(
  { lines = [], dressed = [] }: ReturnType<ReturnType<typeof designOf>['placement']>,
  look: Look,
): ColouredBalloon[][] {
  const moved = withFillersMoved(dressed, look);
  let before = 0;
  return lines.map((line, i) => {
    // Colours go by where the balloons were while the piece was edited, so that none changes when the hand lets go.
    const own = colouredDressing(line, dress(line), moved[i] as DressedBalloon[]);
    const base = own.filter(({ role }) => role === 'base');
    const hanging = base.map((ball, k) => ({ ...ball, ...placeOf(look, before + k) }));
    before += base.length;
    return [...hanging, ...own.filter(({ role }) => role !== 'base')];
  });
}

const placeOf = ({ hung: { balls } }: Look, i: number) => ({
  xM: balls.x[i] as number,
  yM: balls.y[i] as number,
  zM: balls.z[i] as number,
});

/**
 * Each filler that closes a gap put there: the nearest of its make that is still free. More than close it stay
 * where they are, evenly over the front, and lie on what hangs there.
 */
function withFillersMoved(
  dressed: readonly (readonly DressedBalloon[])[],
  { placed, hung }: Look,
): DressedBalloon[][] {
  const moved = dressed.map((own) => own.map((ball) => ({ ...ball })));
  const free = moved.flatMap((own) => fillersIn(own));
  for (const { make, at, balls } of placed) {
    const far = (one: DressedBalloon[]) => Math.hypot((one[0]?.tieX ?? 0) - at.x, (one[0]?.tieY ?? 0) - at.y);
    let next = -1;
    for (let i = 0; i < free.length; i++) {
      const one = free[i] as DressedBalloon[];
      if (one[0]?.filler === make.name && (next < 0 || far(one) < far(free[next] as DressedBalloon[])))
        next = i;
    }
    if (next < 0) continue;
    const [taken] = free.splice(next, 1) as [DressedBalloon[]];
    taken.forEach((ball, i) => {
      const spot = balls[i];
      if (spot) Object.assign(ball, { xM: spot.x, yM: spot.y, zM: spot.z });
    });
  }
  for (const ball of free.flat()) ball.zM = inFrontOf(hung.balls, ball);
  return moved;
}

/** How far from the wall a ball lies that comes from the front until it touches one of these, m. */
function inFrontOf({ x, y, z, r }: Look['hung']['balls'], { xM, yM, rM }: DressedBalloon): number {
  let front = rM;
  for (let i = 0; i < x.length; i++) {
    const reach = (r[i] as number) + rM;
    const square = reach * reach - ((x[i] as number) - xM) ** 2 - ((y[i] as number) - yM) ** 2;
    if (square > 0) front = Math.max(front, (z[i] as number) + Math.sqrt(square));
  }
  return front;
}

/** The balloons of fillers, filler by filler: those of one share their knot. */
function fillersIn(balls: readonly DressedBalloon[]): DressedBalloon[][] {
  const found: DressedBalloon[][] = [];
  for (const ball of balls) {
    if (ball.filler === undefined) continue;
    const last = found.at(-1);
    if (
      last?.[0] &&
      last[0].tieX === ball.tieX &&
      last[0].tieY === ball.tieY &&
      last[0].filler === ball.filler
    )
      last.push(ball);
    else found.push([ball]);
  }
  return found;
}
