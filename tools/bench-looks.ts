import type { JobFile, OrganicGarland, Piece } from '@early-lantern/contract';
import { draftPlan, METRES_PER_FOOT, METRES_PER_INCH, planJob, settledPictureOf } from '@early-lantern/core';
import { outlineOf, seenThrough } from '../packages/core/src/looks/gaps.ts';
import { resettle } from '../packages/core/src/looks/resettle.ts';
import { seenFrom, THREE_VIEWS } from '../packages/core/src/looks/seen.ts';
import { settleBalls, type TiedBalls } from '../packages/core/src/looks/soft-balls.ts';
import { spineSeen } from '../packages/core/src/looks/spine.ts';
import { demo } from './big-job.ts';

/** Balloons, and the milliseconds in which they are to be settled and seen from three sides, cells of half an inch. */
export const LOOKS: readonly (readonly [balloons: number, limitMs: number])[] = [
  [500, 80],
  [1500, 250],
  [5000, 900],
];

const CELL_M = 0.5 * METRES_PER_INCH;
/** Base balloons of a garland 22 in. wide on a foot of it, of one size: as the length law has them. */
const PER_FOOT = 12.3;

/** A garland of about so many balloons along a wall, as it is dealt: in rings round its string, before it settles. */
function dealt(count: number): TiedBalls {
  const longM = (count / PER_FOOT) * METRES_PER_FOOT;
  const ring = 6;
  const row = (figure: (i: number) => number) => Float64Array.from({ length: count }, (_, i) => figure(i));
  const along = (i: number) => ((Math.floor(i / ring) + 0.5) * ring * longM) / count;
  const angle = (i: number) => (i % ring) * ((2 * Math.PI) / ring) + 2.4 * Math.floor(i / ring);
  const r = (i: number) => ((6 + ((i * 7) % 11) * 0.4) * METRES_PER_INCH) / 2;
  return {
    x: row(along),
    y: row((i) => 1.5 + Math.cos(angle(i)) * 0.17),
    z: row((i) => 0.2 + Math.sin(angle(i)) * 0.13),
    r: row(r),
    tieX: row(along),
    tieY: row(() => 1.5),
    tieZ: row(() => 0.2),
  };
}

const settled500 = dealt(500);
settleBalls(settled500, { wallZM: 0, floorYM: 0 });

/** In a settled piece of 500 one cluster pulled out by 2 in. and what lies about it settled again. */
export function oneClusterMoved(): number {
  const balls = { ...settled500, x: settled500.x.slice(), y: settled500.y.slice(), z: settled500.z.slice() };
  const moved = [252, 253, 254, 255, 256, 257];
  for (const i of moved) balls.y[i] = (balls.y[i] as number) + 2 * METRES_PER_INCH;
  return resettle(balls, { wallZM: 0, floorYM: 0 }, moved).steps;
}

/** Settled and seen from three sides: the share that is seen through and how much of the string. */
export function settledAndSeen(count: number): number {
  const balls = dealt(count);
  settleBalls(balls, { wallZM: 0, floorYM: 0 });
  const points = Array.from(balls.tieX, (x, i) => ({
    x,
    y: balls.tieY[i] ?? 0,
    z: balls.tieZ[i] ?? 0,
  })).filter((_, i) => i % 6 === 0);
  return THREE_VIEWS.reduce((sum, turn) => {
    const seen = seenFrom(turn, balls, CELL_M, 8 * METRES_PER_INCH);
    const { holesPct, notchesPct } = seenThrough(seen, outlineOf(seen, balls));
    return sum + holesPct + notchesPct + spineSeen(seen, [{ points, rM: METRES_PER_INCH / 2 }]).pct;
  }, 0);
}

let moves = 0;

/** A garland never looked at before: nothing of it is known. */
function anotherGarland(): { file: JobFile; piece: Piece } {
  const file = demo('02-engine-shed');
  const first = file.job.pieces.find((piece): piece is OrganicGarland => piece.kind === 'organic-garland');
  if (!first) throw new Error('the demo job has no garland');
  moves += 1;
  const piece = { ...first, line: first.line.map(({ xM, yM }) => ({ xM: xM + moves * 1e-4, yM })) };
  return { file: { ...file, job: { ...file.job, pieces: [piece] } }, piece };
}

export const quickLook = () => draftPlan(anotherGarland().file, 'quick');
export const wholeLook = () => planJob(anotherGarland().file);
export const pictureOfIt = () => {
  const { file, piece } = anotherGarland();
  return settledPictureOf(piece, file.workshop);
};
