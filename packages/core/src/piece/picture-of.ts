import type { Piece, StandIn } from '@early-lantern/contract';
import { memoByPiece } from '../quantity/memo.ts';
import { seenColour } from '../stock/stand-ins.ts';
import { designOf } from './design.ts';
import type { Picture } from './picture.ts';
import type { HouseSchools } from './recipe.ts';
import { attached, schoolsOf } from './recipe-of.ts';

/** A picture in the colours that are used where one is not to be had. */
export function withStandInColours(picture: Picture, standIns: readonly StandIn[] = []): Picture {
  if (standIns.length === 0) return picture;
  const balloons = picture.balloons.map((ball) => ({
    ...ball,
    colour: seenColour(ball.colour, ball.nominalIn, standIns),
  }));
  return { ...picture, balloons };
}

/** How a piece looks on its spot's elevation: its placement in its colours. */
export const pictureOf = memoByPiece<Piece, [house?: HouseSchools], Picture>(
  (_, house) => [house],
  (piece, house) => {
    const bare = designOf(piece, schoolsOf(piece, house)).picture();
    const picture = piece.attachments?.length
      ? { ...bare, balloons: [...bare.balloons, ...attached(piece)] }
      : bare;
    return withStandInColours(picture, 'standIns' in piece ? piece.standIns : undefined);
  },
);
