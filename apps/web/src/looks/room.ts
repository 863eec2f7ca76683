import type { Colour, Piece } from '@early-lantern/contract';
import { type DrawnBalloon, type DrawnShape, depthOf, type Picture } from '@early-lantern/core';

/** A balloon in the room: metres from the left of the spot, from its floor, and from its wall. */
export interface RoomBall {
  x: number;
  y: number;
  z: number;
  r: number;
  hex: string;
  finish: NonNullable<Colour['finish']>;
}

/** A balloon that is no ball, in its place. */
export type RoomForm = RoomBall & Pick<DrawnBalloon, 'form' | 'text'>;

/** What stands on a spot. */
export interface Room {
  balls: RoomBall[];
  forms: RoomForm[];
  /** Pipes, boards and cloth, each as far from the wall as the middle of its piece. */
  shapes: { shape: DrawnShape; z: number }[];
}

/** Pictures drawn without depth: one balloon lies a hair before the other, in the order in which they are drawn. */
const HAIR_M = 0.001;

/** The pieces of a spot from their pictures: none reaches into the wall. */
export function roomOf(
  pieces: readonly Piece[],
  pictures: Readonly<Record<string, Picture>>,
  colours: readonly Colour[],
): Room {
  const colourOf = new Map(colours.map((one) => [one.id, one]));
  const room: Room = { balls: [], forms: [], shapes: [] };
  for (const piece of pieces) {
    const picture = pictures[piece.id];
    if (!picture) continue;
    const depths = depthsOf(picture.balloons);
    const back = picture.balloons.reduce((least, { rM }, i) => Math.min(least, (depths[i] ?? 0) - rM), 0);
    const from = depthOf(piece, pieces) - back;
    picture.balloons.forEach((ball, i) => {
      const colour = colourOf.get(ball.colour);
      const placed = {
        x: ball.xM,
        y: ball.yM,
        z: from + (depths[i] ?? 0),
        r: ball.rM,
        hex: colour?.hex ?? '#999999',
        finish: colour?.finish ?? 'matte',
      };
      if (ball.form)
        room.forms.push({ ...placed, form: ball.form, ...(ball.text ? { text: ball.text } : {}) });
      else room.balls.push(placed);
    });
    const middle = picture.balloons.length > 0 ? middleOf(picture.balloons, depths) : 0.05;
    room.shapes.push(...picture.shapes.map((shape) => ({ shape, z: from + middle })));
  }
  return room;
}

/** The plane that a piece is in the middle of: on the mean of the balloons whose depth is known. */
function middleOf(balloons: readonly DrawnBalloon[], depths: readonly number[]): number {
  const known = depths.filter((_, i) => balloons[i]?.zM !== undefined);
  const of = known.length > 0 ? known : depths;
  return of.reduce((sum, z) => sum + z, 0) / of.length;
}

/**
 * How far each balloon is from the plane of its piece; one without a depth lies on those that it covers, or else on what the
 * others are in the middle of.
 */
function depthsOf(balloons: readonly DrawnBalloon[]): number[] {
  const hasDepth = balloons.some(({ zM }) => zM !== undefined);
  if (!hasDepth) return balloons.map((_, i) => i * HAIR_M);
  const middle = middleOf(
    balloons,
    balloons.map(({ zM = 0 }) => zM),
  );
  return balloons.map(({ xM, yM, rM, zM }) => {
    if (zM !== undefined) return zM;
    let front = middle + rM;
    for (const other of balloons) {
      if (other.zM === undefined) continue;
      const reach = other.rM + rM;
      const square = reach * reach - (other.xM - xM) ** 2 - (other.yM - yM) ** 2;
      if (square > 0) front = Math.max(front, other.zM + Math.sqrt(square));
    }
    return front;
  });
}
