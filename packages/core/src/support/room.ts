import type { Piece, Spot } from '@early-lantern/contract';
import { moved } from '../piece/moved.ts';
import type { Area } from '../piece/part.ts';
import type { Placement } from '../piece/placement.ts';
import type { HouseSchools } from '../piece/recipe.ts';
import { placementOf } from '../piece/recipe-of.ts';
import { memoByPiece } from '../quantity/memo.ts';

/** Places are tried in steps of this, m. */
const STEP_M = 0.1;

/** What a piece covers on the elevation; nothing where there is nothing of it. */
export const boundsOf = memoByPiece<Piece, [house?: HouseSchools], Area | undefined>(
  (_, house) => [house],
  (piece, house) => areaOf(placementOf(piece, house)),
);

function areaOf({ balloons, shapes }: Placement): Area | undefined {
  const least = { x: Infinity, y: Infinity };
  const most = { x: -Infinity, y: -Infinity };
  // One by one: thousands of balloons, gone through with every edit.
  const take = (x: number, y: number, r = 0) => {
    least.x = Math.min(least.x, x - r);
    least.y = Math.min(least.y, y - r);
    most.x = Math.max(most.x, x + r);
    most.y = Math.max(most.y, y + r);
  };
  for (const { xM, yM, rM } of balloons) take(xM, yM, rM);
  for (const shape of shapes) {
    if (shape.shape === 'line') for (const { x, y } of shape.points) take(x, y);
    else {
      take(shape.xM, shape.yM);
      take(shape.xM + shape.widthM, shape.yM + shape.heightM);
    }
  }
  if (least.x === Infinity) return undefined;
  return { xM: least.x, yM: least.y, widthM: most.x - least.x, heightM: most.y - least.y };
}

/**
 * A new piece where there is room for it on its spot: beside what is there, as near to where it was as may be; where
 * there is no room, where it covers least.
 */
export const whereThereIsRoom = (piece: Piece, spot: Pick<Spot, 'widthM'>, pieces: readonly Piece[]): Piece =>
  moved(piece, asideToRoom(piece, spot, pieces), 0);

/** How far along the spot that is, m; to the right above zero. */
export function asideToRoom(piece: Piece, spot: Pick<Spot, 'widthM'>, pieces: readonly Piece[]): number {
  const own = boundsOf(piece);
  const others = pieces.filter(({ spotId }) => spotId === piece.spotId).flatMap((one) => boundsOf(one) ?? []);
  if (!own || others.length === 0) return 0;
  const least = -Math.max(0, own.xM);
  const most = Math.max(least, spot.widthM - own.xM - own.widthM);
  const steps = Array.from({ length: Math.floor((most - least) / STEP_M) + 1 }, (_, i) => least + i * STEP_M);
  const covered = (dx: number) =>
    others.reduce((sum, other) => sum + overlap({ ...own, xM: own.xM + dx }, other), 0);
  return [0, ...steps].reduce((a, b) => {
    const [one, two] = [covered(a), covered(b)];
    if (Math.abs(one - two) > 1e-6) return two < one ? b : a;
    return Math.abs(b) < Math.abs(a) ? b : a;
  });
}

function overlap(a: Area, b: Area): number {
  const across = Math.min(a.xM + a.widthM, b.xM + b.widthM) - Math.max(a.xM, b.xM);
  const up = Math.min(a.yM + a.heightM, b.yM + b.heightM) - Math.max(a.yM, b.yM);
  return Math.max(0, across) * Math.max(0, up);
}
