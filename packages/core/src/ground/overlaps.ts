import type { GroundArea, HoldPiece, JobFile, Piece } from '@early-lantern/contract';
import { isFurniture } from '../piece/kinds.ts';
import type { DrawnShape } from '../piece/picture.ts';
import type { PlacedBalloon } from '../piece/placed-balloon.ts';
import type { HouseSchools } from '../piece/recipe.ts';
import { placementOf } from '../piece/recipe-of.ts';
import { formatLength } from '../quantity/length.ts';
import { memoByPair } from '../quantity/memo.ts';
import { allCarriedBy } from '../support/carried.ts';
import { boundsOf } from '../support/room.ts';

/** Balloons give, and nobody sets bases down to the inch: less than this is a touch, m. */
const TOUCH_M = 0.06;

/** Two standing pieces that are in each other, by how much at the least, m. */
export interface Overlap {
  a: Piece;
  b: Piece;
  byM: number;
}

/**
 * Pieces that stand on the floor of one spot and are in each other: their bases from above, or their balloons and boards
 * from the front where they are as far from the wall.
 */
export function overlapsOf(held: readonly HoldPiece[], { job, workshop }: JobFile): Overlap[] {
  const byId = new Map(job.pieces.map((one) => [one.id, one]));
  const standing = held.flatMap((one) => {
    const piece = byId.get(one.id);
    const body = one.ground.find(({ what }) => what === 'body');
    const isOnFloor = one.cases.length > 0 || (piece !== undefined && isFurniture(piece));
    return piece && body && isOnFloor && !piece.on
      ? [{ piece, body, bases: one.ground.filter(({ what }) => what === 'base') }]
      : [];
  });
  const carries = (carrier: Piece, piece: Piece) => allCarriedBy(carrier.id, job.pieces).includes(piece);
  return standing.flatMap((a, i) =>
    standing.slice(i + 1).flatMap((b): Overlap[] => {
      if (a.piece.spotId !== b.piece.spotId) return [];
      if (carries(a.piece, b.piece) || carries(b.piece, a.piece)) return [];
      const byM = Math.max(basesOverlap(a.bases, b.bases), bodiesOverlap(a, b, workshop.schools));
      return byM > TOUCH_M ? [{ a: a.piece, b: b.piece, byM }] : [];
    }),
  );
}

/** The pieces, each told of what it stands in. */
export function withOverlaps(held: readonly HoldPiece[], file: JobFile): HoldPiece[] {
  const found = overlapsOf(held, file);
  if (found.length === 0) return [...held];
  return held.map((one) => {
    // Told once, with the piece that was added later: the one that would be moved.
    const own = found.filter(({ b }) => b.id === one.id);
    const words = own.map(
      ({ a, byM }) =>
        `${one.name} stands in ${a.name}: they overlap by ${formatLength(byM, file.workshop.units)}. Move one of them aside, forward or back.`,
    );
    return own.length ? { ...one, risks: [...words, ...one.risks] } : one;
  });
}

const along = (aFrom: number, aTo: number, bFrom: number, bTo: number) =>
  Math.min(aTo, bTo) - Math.max(aFrom, bFrom);

const inDepth = (a: GroundArea, b: GroundArea) => along(a.outM, a.outM + a.depthM, b.outM, b.outM + b.depthM);

const areasOverlap = (a: GroundArea, b: GroundArea): number =>
  Math.min(along(a.xM, a.xM + a.widthM, b.xM, b.xM + b.widthM), inDepth(a, b));

const basesOverlap = (a: readonly GroundArea[], b: readonly GroundArea[]): number =>
  Math.max(0, ...a.flatMap((one) => b.map((other) => areasOverlap(one, other))));

interface Standing {
  piece: Piece;
  body: GroundArea;
}

/** How far two pieces are in each other from the front, and no further than they are in depth, m. */
function bodiesOverlap(a: Standing, b: Standing, schools: HouseSchools | undefined): number {
  if (areasOverlap(a.body, b.body) <= TOUCH_M) return 0;
  return Math.min(inDepth(a.body, b.body), frontOverlap(a.piece, b.piece, schools));
}

/** How far the balloons and boards of two pieces overlap as the elevation shows them, m. */
const frontOverlap = memoByPair(
  (_: Piece, __: Piece, schools: HouseSchools | undefined) => [schools],
  (a, b, schools) => {
    const [one, other] = [near(solidsOf(a, schools), b, schools), near(solidsOf(b, schools), a, schools)];
    let most = 0;
    const look = <S, T>(these: readonly S[], those: readonly T[], overlap: (s: S, t: T) => number) => {
      for (const s of these) for (const t of those) most = Math.max(most, overlap(s, t));
    };
    look(one.balls, other.balls, ballsOverlap);
    look(one.balls, other.boxes, ballInBox);
    look(other.balls, one.boxes, ballInBox);
    look(one.boxes, other.boxes, boxesOverlap);
    return most;
  },
);

type DrawnBox = Extract<DrawnShape, { shape: 'box' }>;

/** What of a piece takes up room: its balloons, and its boards, cloths and furniture. */
function solidsOf(piece: Piece, schools: HouseSchools | undefined) {
  const { balloons, shapes } = placementOf(piece, schools);
  const boxes = shapes.filter((one): one is DrawnBox => one.shape === 'box' && one.tone !== 'base');
  return { balls: balloons, boxes };
}

/** What of it comes into the rectangle that another piece covers. */
function near(
  { balls, boxes }: ReturnType<typeof solidsOf>,
  other: Piece,
  schools: HouseSchools | undefined,
): ReturnType<typeof solidsOf> {
  const around = boundsOf(other, schools);
  if (!around) return { balls: [], boxes: [] };
  const isNear = (xM: number, yM: number, widthM: number, heightM: number) =>
    along(xM, xM + widthM, around.xM, around.xM + around.widthM) > 0 &&
    along(yM, yM + heightM, around.yM, around.yM + around.heightM) > 0;
  return {
    balls: balls.filter(({ xM, yM, rM }) => isNear(xM - rM, yM - rM, 2 * rM, 2 * rM)),
    boxes: boxes.filter((box) => isNear(box.xM, box.yM, box.widthM, box.heightM)),
  };
}

const ballsOverlap = (a: PlacedBalloon, b: PlacedBalloon): number =>
  a.rM + b.rM - Math.hypot(a.xM - b.xM, a.yM - b.yM);

function ballInBox({ xM, yM, rM }: PlacedBalloon, box: DrawnBox): number {
  const dx = Math.max(box.xM - xM, xM - box.xM - box.widthM, 0);
  const dy = Math.max(box.yM - yM, yM - box.yM - box.heightM, 0);
  return rM - Math.hypot(dx, dy);
}

const boxesOverlap = (a: DrawnBox, b: DrawnBox): number =>
  Math.min(
    along(a.xM, a.xM + a.widthM, b.xM, b.xM + b.widthM),
    along(a.yM, a.yM + a.heightM, b.yM, b.yM + b.heightM),
  );
