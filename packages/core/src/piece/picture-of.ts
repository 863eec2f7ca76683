import type { Piece } from '@early-lantern/contract';
import { memoByPiece } from '../quantity/memo.ts';
import { designOf } from './design.ts';
import type { Picture } from './picture.ts';
import type { HouseSchools } from './recipe.ts';
import { attached, schoolsOf } from './recipe-of.ts';
import { withStandInColours } from './stand-in-colours.ts';

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
