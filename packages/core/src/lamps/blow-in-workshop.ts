import type { Change, JobFile, Piece, PieceOf } from '@early-lantern/contract';
import { isGarland } from '../piece/kinds.ts';
import { schoolsOf } from '../piece/recipe-of.ts';

/** A piece that says where it is blown, or goes by what the house does. */
const isBlown = (piece: Piece): piece is PieceOf<'organic-garland'> => isGarland(piece) || 'schools' in piece;

/** Everything blown in the workshop that is blown on site now; empty where nothing is. */
export const blowInWorkshop = ({ job, workshop }: JobFile): Change[] =>
  job.pieces.flatMap((piece, p): Change[] =>
    isBlown(piece) && schoolsOf(piece, workshop.schools).inflatedAt !== 'workshop'
      ? [{ path: `/job/pieces/${p}/schools`, value: { ...piece.schools, inflatedAt: 'workshop' as const } }]
      : [],
  );
